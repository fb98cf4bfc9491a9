import type { Locator } from './test';

/*
 * How long a practised person takes, by the keystroke-level model (Card, Moran and Newell, 1980): so long for a key, for pointing, for
 * the hand's way between mouse and keys, and for thinking of what comes next.
 */
const KEY = 0.28;
const POINT = 1.1;
const HAND = 0.4;
const THINK = 1.35;
/** A text is fetched out of another window: marked, copied, and back. */
const FETCH = 8;

/** Does a screen's work and counts what it would take somebody. */
export class Effort {
  private seconds = 0;
  private presses = 0;

  private async does(seconds: number, what: () => Promise<unknown>) {
    this.seconds += seconds;
    this.presses += 1;
    await what();
  }
  press = (what: Locator) => this.does(THINK + POINT + KEY, () => what.click());
  type = (into: Locator, text: string) =>
    this.does(THINK + POINT + 2 * HAND + text.length * KEY, () => into.fill(text));
  choose = (from: Locator, what: string) =>
    this.does(THINK + 2 * (POINT + KEY), () => from.selectOption(what));
  paste = (into: Locator, text: string) => this.does(THINK + POINT + FETCH, () => into.fill(text));
  file = (into: Locator, name: string, buffer: Buffer) =>
    this.does(THINK + POINT + FETCH, () =>
      into.setInputFiles({ name, mimeType: 'application/octet-stream', buffer }),
    );
  /** Looks a page through for so long before going on. */
  look = (seconds: number) => {
    this.seconds += seconds;
  };
  minutes = () => this.seconds / 60;
  toString = () => `${this.presses} presses and fields, ${this.minutes().toFixed(1)} minutes`;
}
