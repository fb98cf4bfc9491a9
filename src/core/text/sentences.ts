import { sentenceSegments } from './segments';
import { countWords } from './words';

export type Sentence = { text: string; start: number; end: number };

/** The sentences of a text (UAX #29) that hold at least one word; surrounding white space is not part of one. */
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
