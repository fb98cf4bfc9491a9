import { sentenceSegments } from './segments';
import { countWords } from './words';

export type Sentence = { text: string; start: number; end: number };

/**
 * The sentences of a text (UAX #29) that hold at least one word; surrounding white space is not part of one.
 * @example sentences('One. Two!').map((s) => s.text) // ['One.', 'Two!']
 */
export function sentences(text: string): Sentence[] {
  const found: Sentence[] = [];
  for (const s of sentenceSegments(text)) {
    if (countWords(s.segment) === 0) continue;
    const lead = s.segment.length - s.segment.trimStart().length;
    const trimmed = s.segment.trim();
    found.push({ text: trimmed, start: s.index + lead, end: s.index + lead + trimmed.length });
  }
  return found;
}

/** An end in the middle of a sentence, where somebody begins the next without a capital; not after an abbreviation or initial. */
const SMALL_BEGINNING =
  /(?<!\b(?:\p{L}|e\.g|i\.e|etc|vs|cf|approx|ca|no|pp|ch|fig|dr|mr|mrs|prof|st))[.!?…]+\s+(?=\p{Ll})|\n+/giu;

/**
 * The sentences of a text as people write them in haste: one may begin with a small letter.
 * @example utterances('it rained. we left.') // two
 */
export const utterances = (text: string): Sentence[] =>
  sentences(text).flatMap((s) => {
    const found: Sentence[] = [];
    let from = 0;
    for (const m of [...s.text.matchAll(SMALL_BEGINNING), { index: s.text.length, 0: '' }]) {
      const to = m.index + m[0].length;
      const piece = s.text.slice(from, to).trimEnd();
      if (countWords(piece) > 0)
        found.push({ text: piece, start: s.start + from, end: s.start + from + piece.length });
      from = to;
    }
    return found;
  });

/**
 * The sentences of many texts at once, cut where one plainly ends: far faster, and now and then an abbreviation too early.
 * @example roughSentences('One. Two.') // ['One.', 'Two.']
 */
export const roughSentences = (text: string): string[] =>
  text
    .split(/(?<=[.!?…]["”’)\]]?)\s+|\n+/u)
    .map((s) => s.trim())
    .filter(Boolean);
