import type { keepingMark } from '@/contract/marks';
import type { Mark } from '@/core/marks/mark';
import type { AnswerOf } from '../request/call';

/** Somebody else wrote on the same mark meanwhile. */
export type Theirs = { mark: Mark; revision: number; marker: string };
export type KeptMark = {
  mark: Mark;
  state: 'kept' | 'keeping' | 'trying' | 'refused';
  theirs: Theirs | null;
  /** How often another’s mark took this one's place: fields with a life of their own begin anew. */
  came: number;
};
type Keep = (mark: Mark, base: number) => Promise<AnswerOf<typeof keepingMark>>;

const QUIET_MS = 350;
const AGAIN_MS = 3_000;
const AGAIN = new Set(['no-answer', 'unexpected', 'signed-out']);

/**
 * Keeps a mark a moment after its last change. What could not be sent is tried again; where somebody else wrote on the mark, nothing is
 * sent until one of the two is chosen.
 */
export class MarkKeeper {
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private now: KeptMark;
  private revision: number;
  /** The mark as it stood when the page came. */
  readonly opened: Mark;
  private dirty = false;
  private busy = false;

  constructor(
    opened: { mark: Mark; revision: number },
    private readonly keep: Keep,
  ) {
    this.now = { mark: opened.mark, state: 'kept', theirs: null, came: 0 };
    this.revision = opened.revision;
    this.opened = opened.mark;
  }

  read = () => this.now;
  /** Whether something is not on the server yet. */
  isOpen = () => this.dirty || this.busy;
  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  private set(part: Partial<KeptMark>) {
    this.now = { ...this.now, ...part };
    this.listeners.forEach((tell) => tell());
  }

  private plan(ms: number) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), ms);
  }

  /** A change by whoever marks. */
  change(part: Partial<Mark>) {
    this.dirty = true;
    // What is not sent yet is not called kept.
    const state = this.now.state === 'kept' ? 'keeping' : this.now.state;
    this.set({ mark: { ...this.now.mark, ...part }, state });
    if (!this.now.theirs) this.plan(QUIET_MS);
  }

  /** Sends what is not kept yet at once. */
  async send(): Promise<void> {
    clearTimeout(this.timer);
    if (!this.dirty || this.busy || this.now.theirs) return;
    this.busy = true;
    this.dirty = false;
    this.set({ state: 'keeping' });
    const answer = await this.keep(this.now.mark, this.revision);
    this.busy = false;
    if (answer.ok) {
      this.revision = answer.value.revision;
      if (this.dirty) await this.send();
      else this.set({ state: 'kept' });
      return;
    }
    this.dirty = true;
    if (answer.code === 'changed-meanwhile') {
      const { mark, revision, marker } = answer;
      this.set({ state: 'refused', theirs: { mark, revision, marker } });
    } else if (AGAIN.has(answer.code)) {
      this.set({ state: 'trying' });
      this.plan(AGAIN_MS);
    } else this.set({ state: 'refused' });
  }

  /** What is on the page shall stand, written on theirs. */
  keepMine() {
    if (!this.now.theirs) return;
    this.revision = this.now.theirs.revision;
    this.set({ theirs: null });
    void this.send();
  }

  takeTheirs() {
    const { theirs } = this.now;
    if (!theirs) return;
    this.revision = theirs.revision;
    this.dirty = false;
    this.set({ mark: theirs.mark, theirs: null, state: 'kept', came: this.now.came + 1 });
  }
}
