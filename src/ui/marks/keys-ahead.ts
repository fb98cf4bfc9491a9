/** Longer than this nobody means what they pressed for a page that has not come. */
const STILL_MEANT_MS = 5_000;
const MOST = 9;

/**
 * What is pressed between leaving one student and the next one's coming is meant for the next: it waits, and is no word about whom one
 * has left.
 */
export class KeysAhead {
  private keys: string[] = [];
  private since: number | null = null;

  constructor(private readonly now: () => number = () => performance.now()) {}

  /** One is going on to another student, by this key or otherwise; on the way already, the key waits as well. */
  leave = (key: string | null = null) => {
    if (key !== null && this.hear(key)) return;
    this.keys = [];
    this.since = this.now();
  };

  /** Takes a key in where one is on the way; otherwise it is the page's. */
  hear = (key: string): boolean => {
    if (this.since === null) return false;
    if (this.now() - this.since > STILL_MEANT_MS) {
      this.since = null;
      return false;
    }
    if (key.length === 1 && this.keys.length < MOST) this.keys.push(key);
    return true;
  };

  /** The next student is there: what waited for them. */
  arrive = (): string[] => {
    const { keys } = this;
    this.keys = [];
    this.since = null;
    return keys;
  };
}
