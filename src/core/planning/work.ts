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

/** The words a brief asks for, one way or another. */
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
 */
export function responseWork(
  input: { rules: WritingRules; wordsWritten: number; wordsToRead: number },
  pace: Pace,
): Work {
  const asked = wordsAsked(input.rules, 'response');
  const wanting = Math.max(asked - input.wordsWritten, asked * 0.1);
  return work(input.wordsToRead, wanting, pace);
}

/** What one reply takes: reading some posts to choose from, writing it, and reading it over. */
export const replyWork = (rules: WritingRules, pace: Pace): Work =>
  work(WORDS_TO_CHOOSE, wordsAsked(rules, 'reply'), pace);

/** Several works one after the other. Ranges add up as independent ones do: in squares around the likely sum. */
export function sumOfWork(works: readonly Work[]): Work {
  const sum = (of: (w: Work) => number) => works.reduce((s, w) => s + of(w), 0);
  const likely = sum((w) => w.likely);
  const below = Math.sqrt(sum((w) => (w.likely - w.least) ** 2));
  const above = Math.sqrt(sum((w) => (w.most - w.likely) ** 2));
  return {
    likely,
    least: likely - below,
    most: likely + above,
    reading: sum((w) => w.reading),
    writing: sum((w) => w.writing),
    proofreading: sum((w) => w.proofreading),
  };
}
