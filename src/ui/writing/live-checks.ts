import { checkDraft, type Checked, type CheckRules } from '@/core/checks/checks';
import type { DraftChecker } from '@/workers/check-draft';
import { wrap, type Remote } from 'comlink';
import type { Text } from './draft-keeper';

let worker: { ask: Remote<DraftChecker>; broken: Promise<never> } | null = null;
/** The rules the worker was told last: several drafts of one page ask the same worker. */
let followed: CheckRules | null = null;

/** One worker for the life of the page; null where the browser gives none. */
function checker() {
  if (worker || typeof Worker === 'undefined') return worker;
  const started = new Worker(new URL('../../workers/check-draft.ts', import.meta.url), { type: 'module' });
  // A worker whose script could not be had answers nothing, ever.
  const broken = new Promise<never>((_, reject) => {
    started.onerror = () => reject(new Error('the worker could not be started'));
  });
  broken.catch(() => undefined);
  return (worker = { ask: wrap<DraftChecker>(started), broken });
}

/** Checks a text off the thread that draws; there only where no worker answers. */
async function check(rules: CheckRules, text: Text): Promise<Checked> {
  try {
    const asked = checker();
    if (asked && followed !== rules) {
      followed = rules;
      void asked.ask.follow(rules);
    }
    const found = asked && (await Promise.race([asked.ask.check(text), asked.broken]));
    return found ?? checkDraft(rules, text);
  } catch (error) {
    if (!(error instanceof Error)) throw error;
    return checkDraft(rules, text);
  }
}

/** All of a result that is read on the page; where the evidence stands moves with every key and is asked for apart. */
const readable = (c: Checked) =>
  JSON.stringify([c.checks.map((one) => ({ ...one, evidence: 0 })), c.figures]);

/**
 * The checks of a text as it is written. While one text is being checked only the newest of those that follow waits, so
 * the foot of the page is never more than one text behind. Those who show figures are told when a figure changes; those
 * who need to know where things stand are told at each result.
 */
export class LiveChecks {
  private newest: Checked;
  private shown: Checked;
  private shownText: string;
  private readonly readers = new Set<() => void>();
  private readonly followers = new Set<() => void>();
  private busy = false;
  private waiting: Text | null = null;

  constructor(
    private rules: CheckRules,
    opened: Checked,
  ) {
    this.newest = this.shown = opened;
    this.shownText = readable(opened);
  }

  /** The last result that read differently from the one before. Its evidence may stand where the text was a key ago. */
  figures = (): Checked => this.shown;
  /** The last result. */
  latest = (): Checked => this.newest;
  onFigures = (reader: () => void) => {
    this.readers.add(reader);
    return () => void this.readers.delete(reader);
  };
  onResult = (follower: () => void) => {
    this.followers.add(follower);
    return () => void this.followers.delete(follower);
  };

  judgeBy(rules: CheckRules) {
    this.rules = rules;
  }

  private take(next: Checked) {
    this.newest = next;
    const text = readable(next);
    if (text !== this.shownText) {
      this.shown = next;
      this.shownText = text;
      this.readers.forEach((tell) => tell());
    }
    this.followers.forEach((tell) => tell());
  }

  /** The text is another now. */
  changed = (text: Text) => void this.run(text);

  private async run(text: Text): Promise<void> {
    if (this.busy) {
      this.waiting = text;
      return;
    }
    this.busy = true;
    try {
      this.take(await check(this.rules, text));
    } finally {
      this.busy = false;
    }
    const next = this.waiting;
    this.waiting = null;
    if (next) await this.run(next);
  }

  /** The checks of this very text, for who shares it now. */
  now = async (text: Text) => {
    this.take(await check(this.rules, text));
    return this.newest.checks;
  };
}
