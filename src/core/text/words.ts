import { wordSegments } from './segments';

/** One word of a text: `start` and `end` are UTF-16 offsets. */
export type Word = { text: string; start: number; end: number };

/**
 * The Unicode words of a text (UAX #29 word boundaries, segments that carry a letter or number).
 * A hyphenated compound is as many words as it has parts, "don’t" is one, a lone dash is none.
 *
 * @example words('Don’t move 2 levees – yet').length // 5
 */
export function words(text: string): Word[] {
  const found: Word[] = [];
  for (const s of wordSegments(text)) {
    if (s.isWordLike) found.push({ text: s.segment, start: s.index, end: s.index + s.segment.length });
  }
  return found;
}

/** How many Unicode words a text has. */
export function countWords(text: string): number {
  let n = 0;
  for (const s of wordSegments(text)) if (s.isWordLike) n += 1;
  return n;
}
