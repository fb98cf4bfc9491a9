import { wordSegments } from './segments';

/** One word of a text: `start` and `end` are UTF-16 offsets. */
export type Word = { text: string; start: number; end: number };

const BETWEEN_BLANKS = /[^ \n\t\r]+/gu;
/** One plain word or number with what may stand around it: between blanks UAX #29 has just this one word in it. */
const PLAIN = /^["'“”‘’([]*(?:[A-Za-z]+|[0-9]+)["'“”‘’)\].,;:!?…]*$/u;
const PLAIN_WORD = /[A-Za-z]+|[0-9]+/u;
/** No letter and no number, and nothing that could join one. */
const NO_WORD = /^[!-/:-@[-^`{-~…“”‘’–—]+$/u;

/**
 * Each word of a text, in order. Most of what people write between two blanks is one plain word: that is seen by its letters,
 * a hundred times faster than by the platform's segmenter, which is asked about all the rest.
 */
function walk(text: string, found: (start: number, end: number) => void) {
  // From where to where the text is left to the segmenter; no stretch yet where both are 0.
  let start = 0;
  let end = 0;
  const settle = () => {
    if (end === 0) return;
    for (const s of wordSegments(text.slice(start, end)))
      if (s.isWordLike) found(start + s.index, start + s.index + s.segment.length);
    start = end = 0;
  };
  for (const { 0: piece, index } of text.matchAll(BETWEEN_BLANKS)) {
    if (PLAIN.test(piece)) {
      settle();
      const word = PLAIN_WORD.exec(piece);
      if (word) found(index + word.index, index + word.index + word[0].length);
    } else if (!NO_WORD.test(piece)) {
      if (end === 0) start = index;
      end = index + piece.length;
    }
  }
  settle();
}

/**
 * The Unicode words of a text (UAX #29 word boundaries, segments that carry a letter or number).
 * A hyphenated compound is as many words as it has parts, "don’t" is one, a lone dash is none.
 *
 * @example words('Don’t move 2 levees – yet').length // 5
 */
export function words(text: string): Word[] {
  const found: Word[] = [];
  walk(text, (start, end) => found.push({ text: text.slice(start, end), start, end }));
  return found;
}

/**
 * How many Unicode words a text has.
 * @example countWords('Don’t move – yet') // 3
 */
export function countWords(text: string): number {
  let n = 0;
  walk(text, () => (n += 1));
  return n;
}
