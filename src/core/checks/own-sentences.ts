import { sentences } from '../text/sentences';
import type { Passage } from './passages';
import type { Evidence } from './types';

export type OwnSentence = Evidence & { question: boolean };

/**
 * The sentences in which a writer's own words stand, and whether each asks something.
 * @example "It floods. Why?" gives two, of which the second asks
 */
export const ownSentences = (all: readonly Passage[]): OwnSentence[] =>
  all
    .filter((p) => p.role === 'own')
    .flatMap((p) =>
      sentences(p.line.text)
        .filter((s) => p.ownWords.some((w) => w.start >= s.start && w.end <= s.end))
        .map((s) => ({
          from: p.line.pos + s.start,
          to: p.line.pos + s.end,
          question: /\?["”’)\]]*$/u.test(s.text),
        })),
    );
