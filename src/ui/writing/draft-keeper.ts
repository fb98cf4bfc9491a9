import type { draftInputSchema, keepingDraft } from '@/contract/writing';
import type { Doc } from '@/core/document/nodes';
import type { AnswerOf } from '../request/call';
import type { z } from 'zod';

export type Place = {
  slug: string;
  /** The course's name in addresses: files belong to a course. */
  course: string;
  person: string;
  kind: 'response' | 'reply';
  parent: number | null;
  /** The shared post that is being changed. */
  edits?: number;
};
export type Text = { title: string; doc: Doc };
export type OtherText = Text & { keptAt: number; revision: number; submission: string };

/**
 * Where a draft stands. The writer's keys move it to `unsaved`; the timer to `keeping`; the server's answer to `kept`,
 * `elsewhere` (another window changed it), `refused` or, without an answer, to `local`, from where it is tried again.
 */
export type Keeping =
  | { state: 'untouched' }
  | { state: 'unsaved' }
  | { state: 'keeping' }
  | { state: 'kept'; at: number }
  | { state: 'local'; why: 'no-answer' | 'signed-out' }
  | { state: 'refused'; code: string }
  | { state: 'elsewhere'; other: OtherText };

export type KeepRequest = z.input<typeof draftInputSchema> & { doc: Doc };
export type KeepAnswer = AnswerOf<typeof keepingDraft>;

/** This machine's own copy of a draft: which draft it is of, the revision it was written on, and the page that wrote it. */
export type LocalCopy = Text & { base: number; kept: boolean; submission: string; window?: string };

/**
 * Whether a copy says more than the page that was opened: what the server never got always does; what it had, only as a
 * newer revision of this very draft, and not of one that was shared or begun anew since.
 */
export const isNewerHere = (
  local: Pick<LocalCopy, 'kept' | 'base' | 'submission'>,
  opened: { revision: number; submission: string },
) => !local.kept || (local.submission === opened.submission && local.base > opened.revision);

/** What the keeper needs of the world: the server, and this machine's own copy. */
export type KeeperPorts = {
  /** Never rejects: no answer is the code `no-answer`. `leaving` asks the browser to send it even as the page goes. */
  keep: (request: KeepRequest, leaving: boolean) => Promise<KeepAnswer>;
  /** `kept`: the server has this very text, as revision `base`. */
  keepLocal: (copy: LocalCopy) => void;
  forgetLocal: () => void;
};

// On the server within two seconds, however fast and long somebody types.
const QUIET_MS = 700;
const LONGEST_MS = 1_400;
const RETRY_MS = [1_500, 3_000, 6_000, 12_000];
const AGAIN = new Set(['no-answer', 'signed-out', 'unexpected']);

/** Keeps a draft on this machine at once and on the server about a second after typing stops. */
export class DraftKeeper {
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private dirty = false;
  private busy = false;
  /** The answer to the last keep: there already where nothing is on its way. */
  private answered: Promise<unknown> = Promise.resolve();
  private over = false;
  private touched = false;
  private tries = 0;
  private restoring = false;
  private waitingSince = 0;
  /** This page among all that keep the draft, and how many times it has. */
  private readonly window = crypto.randomUUID();
  private nth = 0;
  /** The page whose words this one goes on with. */
  private after: string | null = null;
  private text: Text;
  private revision: number;
  private now: Keeping;
  /** The id under which sharing makes one post, however often it is tried. */
  submission: string;

  constructor(
    private readonly place: Place,
    opened: Text & { revision: number; submission: string; keptAt: number | null },
    private readonly ports: KeeperPorts,
  ) {
    this.text = { title: opened.title, doc: opened.doc };
    this.revision = opened.revision;
    this.submission = opened.submission;
    this.now = opened.keptAt === null ? { state: 'untouched' } : { state: 'kept', at: opened.keptAt };
  }

  keeping = (): Keeping => this.now;

  /** The text another window kept meanwhile, while the writer has not chosen. */
  other = (): OtherText | null => (this.now.state === 'elsewhere' ? this.now.other : null);

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  /** Whether nothing was changed here since the draft was opened. */
  isUntouched = () => !this.touched;

  private set(next: Keeping) {
    // A key while the text is unsaved anyway is no news to anybody who watches.
    if (next.state === 'unsaved' && this.now.state === 'unsaved') return;
    this.now = next;
    this.listeners.forEach((tell) => tell());
  }

  /** `kept`: the server has the text of now, as the revision of now. */
  private copyHere(kept: boolean) {
    const { revision: base, submission, window } = this;
    this.ports.keepLocal({ ...this.text, base, kept, submission, window });
  }

  private plan(ms: number) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send('tell'), ms);
  }

  /** A change by the writer. */
  change(text: Text) {
    if (this.over) return;
    this.text = text;
    this.touched = true;
    this.copyHere(false);
    if (!this.dirty) this.waitingSince = performance.now();
    this.dirty = true;
    const waited = performance.now() - this.waitingSince;
    this.plan(Math.max(0, Math.min(QUIET_MS, LONGEST_MS - waited)));
    if (this.now.state !== 'elsewhere' && this.now.state !== 'local') this.set({ state: 'unsaved' });
  }

  private async send(conflict: KeepRequest['conflict'], leaving = false): Promise<void> {
    if (this.over || (this.busy && !leaving)) return;
    clearTimeout(this.timer);
    this.busy = true;
    this.dirty = false;
    if (this.now.state !== 'elsewhere') this.set({ state: 'keeping' });
    const { kind, parent, edits = null } = this.place;
    const { submission, revision: base, restoring } = this;
    const { title, doc } = this.text;
    const nth = (this.nth += 1);
    const window = { id: this.window, nth, after: this.after };
    const request = { kind, parent, submission, title, doc, base, conflict, edits, restoring, window };
    const asked = this.ports.keep(request, leaving);
    this.answered = asked;
    const answer = await asked;
    this.busy = false;
    if (answer.ok) this.restoring = false;
    if (!this.over) this.take(answer, nth === this.nth);
  }

  /** `last`: nothing newer is on its way. */
  private take(answer: KeepAnswer, last: boolean) {
    if (answer.ok) {
      this.revision = answer.value.revision;
      this.submission = answer.value.submission;
      this.tries = 0;
      if (this.dirty) {
        this.copyHere(false);
        this.set({ state: 'unsaved' });
        this.plan(QUIET_MS);
      } else if (last) {
        // Without a network the page that opens may be an old one: then this is the newest there is.
        this.copyHere(true);
        this.set({ state: 'kept', at: answer.value.keptAt });
      }
    } else if (answer.code === 'other-window') {
      const { title, doc, keptAt, revision, submission } = answer;
      this.set({ state: 'elsewhere', other: { title, doc, keptAt, revision, submission } });
    } else if (AGAIN.has(answer.code)) {
      this.dirty = true;
      this.plan(RETRY_MS[Math.min(this.tries, RETRY_MS.length - 1)] ?? 12_000);
      this.tries += 1;
      this.set({ state: 'local', why: answer.code === 'signed-out' ? 'signed-out' : 'no-answer' });
    } else {
      this.set({ state: 'refused', code: answer.code });
    }
  }

  /**
   * Goes on with what a page that is gone left on this machine, on the revision that was written on: another device may have gone
   * on too. What that page itself had on the way is not another's.
   */
  resume({ base, window, title, doc }: Pick<LocalCopy, 'title' | 'doc' | 'base' | 'window'>) {
    this.revision = base;
    this.after = window ?? null;
    this.change({ title, doc });
  }

  /** The text is the one on the page, only a newer revision: an old page was opened. */
  follow(base: number) {
    this.revision = base;
  }

  /** An earlier version takes the text's place; what stands now is kept first and then stays as a version. */
  async restore(text: Text) {
    if (this.dirty) await this.send('tell');
    this.restoring = true;
    this.change(text);
  }

  /** Sends what is not kept yet at once: the connection is back, or the page is going. */
  flush = (leaving: boolean) => {
    if (this.dirty) void this.send('tell', leaving);
  };

  /** This window's text shall stand; the other is kept aside. */
  async takeMine() {
    if (this.now.state !== 'elsewhere') return;
    this.revision = this.now.other.revision;
    this.submission = this.now.other.submission;
    this.set({ state: 'keeping' });
    await this.send('replace');
  }

  /** The other window's text shall stand; this one is kept aside on the server. Gives the text to show. */
  async takeOther(): Promise<Text | null> {
    if (this.now.state !== 'elsewhere') return null;
    const { other } = this.now;
    await this.send('aside');
    clearTimeout(this.timer);
    this.text = { title: other.title, doc: other.doc };
    this.revision = other.revision;
    this.submission = other.submission;
    this.dirty = false;
    this.copyHere(true);
    this.set({ state: 'kept', at: other.keptAt });
    return this.text;
  }

  /** The text was shared: nothing more is kept of the draft. */
  finish() {
    this.over = true;
    this.dirty = false;
    clearTimeout(this.timer);
    this.ports.forgetLocal();
  }

  /**
   * The page goes: what is not kept is sent, and no timer is left behind. Says whether the draft is another now, once the server
   * has answered to the last words, also where these were on their way already.
   */
  async leave(): Promise<boolean> {
    if (this.dirty) await this.send('tell', true);
    else await this.answered;
    clearTimeout(this.timer);
    return this.touched && !this.over;
  }
}
