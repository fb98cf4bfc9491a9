import { weighed, type Substance } from '@/core/substance/on-document';

/** So long nothing is typed before the server is asked what the words mean. */
const PAUSE_MS = 700;

/** Asks for the meaning of a reply's text; null where nobody answers. */
export type AskMeaning = (reply: string) => Promise<number[] | null>;

/**
 * Knows what a reply means as of its writer's last pause. Between pauses the meaning of a few words ago stands: what is
 * said of the reply does not turn with every key.
 */
export class Weighing {
  private meant: number[] | null = null;
  /** The text whose meaning is known or asked for. */
  private asked = '';
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly ask: AskMeaning,
    private readonly heard: () => void,
  ) {}

  /** The same with its meaning, as far as that is known. */
  of(substance: Substance): Substance {
    if (substance.text !== this.asked) this.later(substance.text);
    return this.meant ? weighed(substance, this.meant) : substance;
  }

  stop = () => clearTimeout(this.timer);

  private later(text: string) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.now(text), PAUSE_MS);
  }

  private async now(text: string) {
    this.asked = text;
    const meant = await this.ask(text);
    // Without an answer the last meaning known goes on being said; the next pause asks anew.
    if (!meant || this.asked !== text) return;
    this.meant = meant;
    this.heard();
  }
}
