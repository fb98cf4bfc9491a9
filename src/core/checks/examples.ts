import { sentences } from '../text/sentences';
import type { Passage } from './passages';
import type { Evidence } from './types';

/** Words with which people bring in an example. */
const NAMED =
  /\b(?:for (?:example|instance)|e\.\s?g\.|such as|an? (?:good |clear |simple |recent )?(?:example|instance|case in point)\b|take the case of|is (?:an|one) example)/iu;
/** Words with which people bring in something they saw or did themselves. */
const LIVED =
  /\b(?:I (?:once|still remember|remember (?:when|how|a|the)|have (?:seen|met|worked|watched)|saw|watched|visited|worked|grew up)|(?:when|where) I (?:was|worked|lived|visited|went)|in my (?:own )?(?:town|village|street|family|job|school|country|experience|neighbourhood)|at my (?:job|work|school|university)|last (?:week|month|year|summer|winter|spring|autumn)\b|my (?:mother|father|grandmother|grandfather|aunt|uncle|sister|brother|neighbour|boss|teacher)\b)/iu;

/**
 * The writer's own sentences that bring in an example, named as one or told from life.
 * @example "For example, my street flooded." is one stretch of evidence; "It rains." is none
 */
export const examplesOf = (all: Passage[]): Evidence[] =>
  all
    .filter((p) => p.role === 'own' && p.ownWords.length > 0)
    .flatMap((p) =>
      sentences(p.line.text)
        .filter((s) => NAMED.test(s.text) || LIVED.test(s.text))
        // Not one that a quotation brings in.
        .filter((s) => p.ownWords.some((w) => w.start >= s.start && w.end <= s.end))
        .map((s) => ({ from: p.line.pos + s.start, to: p.line.pos + s.end, note: 'example' })),
    );
