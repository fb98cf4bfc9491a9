import type { WritingRules } from '../brief/brief';
import type { Measured, Pace } from './pace';

/** How long something is likely to take, in minutes, with the range at a fast and at a slow pace. */
export type Work = {
  likely: number;
  least: number;
  most: number;
  reading: number;
  writing: number;
  proofreading: number;
};

/** Where a brief asks for no length, this many words are reckoned with. */
const USUAL = { response: 150, reply: 60 };
const PER_SENTENCE = 16;
const PER_PARAGRAPH = 70;
/** Whoever chooses a classmate to answer reads about so many words of posts first. */
const WORDS_TO_CHOOSE = 450;

/**
 * The words a brief asks for, one way or another.
 * @example wordsAsked({ words: { min: 250 } }, 'response') // at least 250
 */
export function wordsAsked(
  rules: Pick<WritingRules, 'words' | 'sentences' | 'paragraphs'>,
  kind: 'response' | 'reply',
): number {
  const asked = Math.max(
    rules.words?.min ?? 0,
    (rules.sentences?.min ?? 0) * PER_SENTENCE,
    (rules.paragraphs?.min ?? 0) * PER_PARAGRAPH,
  );
  const usual = asked || USUAL[kind];
  return rules.words?.max === undefined ? usual : Math.min(usual, rules.words.max);
}

function at(wordsToRead: number, wordsToWrite: number, pace: Pace, of: (m: Measured) => number) {
  const reading = wordsToRead / of(pace.reading);
  const writing = wordsToWrite / of(pace.writing);
  const proofreading = (writing * pace.proofreading.share) / (1 - pace.proofreading.share);
  return { reading, writing, proofreading, sum: reading + writing + proofreading };
}

function work(wordsToRead: number, wordsToWrite: number, pace: Pace): Work {
  const likely = at(wordsToRead, wordsToWrite, pace, (m) => m.wordsPerMinute);
  return {
    likely: likely.sum,
    least: at(wordsToRead, wordsToWrite, pace, (m) => m.fast).sum,
    most: at(wordsToRead, wordsToWrite, pace, (m) => m.slow).sum,
    reading: likely.reading,
    writing: likely.writing,
    proofreading: likely.proofreading,
  };
}

/**
 * What a response still takes: the readings not yet read, the words still wanting, and reading it over. A draft
 * that is long enough still takes a tenth of its words' time to be finished.
 *
 * @example a draft that has every word it needs still takes a tenth of its time
 */
export function responseWork(
  input: { rules: WritingRules; wordsWritten: number; wordsToRead: number },
  pace: Pace,
): Work {
  const asked = wordsAsked(input.rules, 'response');
  const wanting = Math.max(asked - input.wordsWritten, asked * 0.1);
  return work(input.wordsToRead, wanting, pace);
}

/**
 * What one reply takes: reading some posts to choose from, writing it, and reading it over.
 * @example at a usual pace a reply of 75 words takes some minutes to read, to write and to read over
 */
export const replyWork = (rules: WritingRules, pace: Pace): Work =>
  work(WORDS_TO_CHOOSE, wordsAsked(rules, 'reply'), pace);

/** How far two works of one person go wrong together: a slow week is slow in all of it, though not in equal measure. */
const TOGETHER = 0.5;

/**
 * Several works one after the other. Their errors are neither the same nor independent, so the range of the sum lies
 * between adding them up and adding their squares: the variance of a sum with correlation `TOGETHER`.
 *
 * @example sumOfWork([]).likely // 0
 */
export function sumOfWork(works: readonly Work[]): Work {
  const sum = (of: (w: Work) => number) => works.reduce((s, w) => s + of(w), 0);
  const spread = (of: (w: Work) => number) =>
    Math.sqrt((1 - TOGETHER) * sum((w) => of(w) ** 2) + TOGETHER * sum(of) ** 2);
  const likely = sum((w) => w.likely);
  return {
    likely,
    least: likely - spread((w) => w.likely - w.least),
    most: likely + spread((w) => w.most - w.likely),
    reading: sum((w) => w.reading),
    writing: sum((w) => w.writing),
    proofreading: sum((w) => w.proofreading),
  };
}
