import type { Part } from '../brief/brief';
import { ownStretches, type Passage } from './passages';
import type { Evidence } from './types';

/** Fewer own words than this under a part's heading are a note, not an answer. */
const ANSWER_MIN_WORDS = 5;

export type PartAnswer = {
  part: Part;
  n: number;
  placed: boolean;
  words: number;
  answered: boolean;
  evidence: Evidence[];
};

/** For each part of the prompt, whether the text answers it: own words that stand under its heading or number. */
export function partAnswers(all: Passage[], parts: Part[]): PartAnswer[] {
  return parts.map((part, i) => {
    const mine = all.filter((p) => p.part === part.id);
    const words = mine.reduce((n, p) => n + p.ownWords.length, 0);
    return {
      part,
      n: i + 1,
      placed: mine.length > 0,
      words,
      answered: words >= ANSWER_MIN_WORDS,
      evidence: mine.flatMap((p) =>
        ownStretches(p).map((s) => ({
          from: p.line.pos + s.start,
          to: p.line.pos + s.end,
          note: `part ${i + 1}`,
        })),
      ),
    };
  });
}
