import { checkDraft, type Checked, type CheckRules } from '@/core/checks/check-draft';
import type { Check } from '@/core/checks/types';
import type { DraftChecker } from '@/workers/check-draft';
import { startWorker, type StartedWorker } from '../frame/started-worker';
import { FEW_WORDS } from '../words/substance';
import type { Text } from './draft-keeper';
import { Weighing, type AskMeaning } from './weighing';

/** Longer nobody waits for what the page can do itself. */
const BEGINS_WITHIN_MS = 5_000;
let worker: StartedWorker<DraftChecker> | null = null;
/** The rules the worker was told last: several drafts of one page ask the same worker. */
let followed: CheckRules | null = null;

/** One worker for the life of the page. */
const checker = () =>
  (worker ??= startWorker<DraftChecker>(
    () => new Worker(new URL('../../workers/check-draft.ts', import.meta.url), { type: 'module' }),
    BEGINS_WITHIN_MS,
  ));

/** Checks a text off the thread that draws; there only where no worker answers. */
async function check(rules: CheckRules, text: Text): Promise<Checked> {
  try {
    const asked = checker();
    if (asked && followed !== rules) {
      followed = rules;
      void asked.ask.follow(rules);
    }
    const found = asked && (await Promise.race([asked.ask.check(text), asked.lost]));
    return found ?? checkDraft(rules, text);
  } catch (error) {
    if (!(error instanceof Error)) throw error;
    return checkDraft(rules, text);
  }
}

/** What is read of a check on the page; where its evidence stands moves with every key and is asked for apart. */
const readable = (check: Check) => JSON.stringify({ ...check, evidence: 0 });

/** What is read of a reply's substance: what it does, and not where. */
const shownSubstance = ({ substance }: Checked) =>
  substance &&
  JSON.stringify([
    substance.verdict,
    substance.words >= FEW_WORDS,
    substance.doing.map(({ kind, words, of }) => [kind, words, of]),
  ]);

/** The newer result, with each check that reads as before being the one from before; that result itself where all do. */
function asShown(before: Checked, next: Checked): Checked {
  const checks = next.checks.map((check) => {
    const was = before.checks.find((c) => c.id === check.id);
    return was && readable(was) === readable(check) ? was : check;
  });
  const same =
    checks.length === before.checks.length &&
    checks.every((check, i) => check === before.checks[i]) &&
    JSON.stringify(before.figures) === JSON.stringify(next.figures) &&
    shownSubstance(before) === shownSubstance(next);
  return same ? before : { ...next, checks };
}

type Versioned = { text: Text; version: number };

/**
 * The checks of a text as it is written. While one text is being checked only the newest of those that follow waits, so
 * the foot of the page is never more than one text behind. Those who show figures are told when a figure changes; those
 * who need to know where things stand are told at each result.
 */
export class LiveChecks {
  private newest: Checked;
  private shown: Checked;
  private readonly readers = new Set<() => void>();
  private readonly followers = new Set<() => void>();
  private busy = false;
  private waiting: Versioned | null = null;
  private version = 0;
  private weighing: Weighing | null = null;

  constructor(
    private rules: CheckRules,
    opened: Checked,
  ) {
    this.newest = this.shown = opened;
  }

  /**
   * The last result that read differently from the one before. Its evidence may stand where the text was a key ago. A
   * check that reads as before is the same object.
   */
  figures = (): Checked => this.shown;
  /** The last result. */
  latest = (): Checked => this.newest;
  /** The number of the text that the last result is about: where its evidence stands now is told by it. */
  latestVersion = () => this.version;
  onFigures = (reader: () => void) => {
    this.readers.add(reader);
    return () => void this.readers.delete(reader);
  };
  onResult = (follower: () => void) => {
    this.followers.add(follower);
    return () => void this.followers.delete(follower);
  };

  /** Whether it says of the text whether it says something. */
  judges = () => this.rules.kind === 'reply' && this.rules.about !== undefined;

  /** The post that is answered, to say what of it is meant. */
  answered = () => (this.rules.kind === 'reply' ? this.rules.answered : { name: '', text: '' });

  judgeBy(rules: CheckRules) {
    this.rules = rules;
  }

  /** From now on what a reply means is asked for as well, at its writer's pauses; the answer ends that. */
  weighBy(ask: AskMeaning): () => void {
    const weighing = new Weighing(ask, () => this.take(this.newest, this.version));
    this.weighing = weighing;
    this.take(this.newest, this.version);
    return () => {
      weighing.stop();
      this.weighing = null;
    };
  }

  private take(checked: Checked, version: number) {
    const next =
      this.weighing && checked.substance
        ? { ...checked, substance: this.weighing.of(checked.substance) }
        : checked;
    this.newest = next;
    this.version = version;
    const shown = asShown(this.shown, next);
    if (shown !== this.shown) {
      this.shown = shown;
      this.readers.forEach((tell) => tell());
    }
    this.followers.forEach((tell) => tell());
  }

  /** The text is another now, of that number. */
  changed = (text: Text, version: number) => void this.run({ text, version });

  private async run({ text, version }: Versioned): Promise<void> {
    if (this.busy) {
      this.waiting = { text, version };
      return;
    }
    this.busy = true;
    try {
      this.take(await check(this.rules, text), version);
    } finally {
      this.busy = false;
    }
    const next = this.waiting;
    this.waiting = null;
    if (next) await this.run(next);
  }

  /** The checks of this very text, for who shares it now. */
  now = async (text: Text, version: number) => {
    this.take(await check(this.rules, text), version);
    return this.newest.checks;
  };
}
