import { countWords } from './words';

const segmenter = new Intl.Segmenter('en', { granularity: 'sentence' });

export type Sentence = { text: string; start: number; end: number };

/** The sentences of a text (UAX #29) that hold at least one word; surrounding white space is not part of one. */
export function sentences(text: string): Sentence[] {
  const found: Sentence[] = [];
  for (const s of segmenter.segment(text)) {
    if (countWords(s.segment) === 0) continue;
    const lead = s.segment.length - s.segment.trimStart().length;
    const trimmed = s.segment.trim();
    found.push({ text: trimmed, start: s.index + lead, end: s.index + lead + trimmed.length });
  }
  return found;
}
