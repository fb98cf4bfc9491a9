import { quotations, type Span } from '../text/quotations';
import { lowerWords, type ReadAnswered } from './answered';

/** So many words in a row, the same as in the classmate's post, are its words and not the writer's. */
const RUN = 5;

const joined = (all: readonly { text: string }[]) => all.map((w) => w.text).join(' ');

/**
 * The stretches of a reply that are the classmate's words: what stands between quotation marks and in the post, and runs of
 * five words and more without any marks.
 *
 * @example five words and more in a row of the post are one stretch
 */
export function copiedIn(reply: string, read: ReadAnswered): Span[] {
  const mine = lowerWords(reply);
  const theirs = ` ${joined(read.words)} `;
  const taken = new Array<boolean>(mine.length).fill(false);
  const takeIfTheirs = (from: number, to: number) => {
    if (to > from && theirs.includes(` ${joined(mine.slice(from, to))} `)) taken.fill(true, from, to);
  };
  for (let i = 0; i + RUN <= mine.length; i += 1) takeIfTheirs(i, i + RUN);
  for (const q of quotations(reply)) {
    const first = mine.findIndex((w) => w.start >= q.start);
    const after = mine.findIndex((w) => w.start >= q.end);
    if (first >= 0) takeIfTheirs(first, after < 0 ? mine.length : after);
  }
  const found: Span[] = [];
  mine.forEach((w, i) => {
    if (!taken[i]) return;
    const last = found[found.length - 1];
    if (last && taken[i - 1]) last.end = w.end;
    else found.push({ start: w.start, end: w.end });
  });
  return found;
}
