import { READING_PACE } from '../reading/minutes';

/** A stretch of writing without a longer pause: what was added, and how the time went. */
export type Spell = { wordsAdded: number; writingSeconds: number; proofreadingSeconds: number };
export type ReadingSpell = { words: number; seconds: number };

/** An estimate with the range that about two of three sittings fall into. */
export type Measured = { wordsPerMinute: number; slow: number; fast: number; from: number };

export type Pace = {
  writing: Measured;
  reading: Measured;
  /** Share of the time at a draft in which nothing is added: reading over, mending, cutting. */
  proofreading: { share: number; from: number };
};

/**
 * What is assumed of somebody Pulpit knows nothing about. Composing at a keyboard, with its pauses for thought,
 * runs at some 6 to 16 words a minute; silent reading of course texts at about 220. The start value weighs as much as `sittings` own
 * ones, so that one odd evening moves the estimate little and ten of them decide it.
 */
const START = {
  writing: { wordsPerMinute: 10, spread: 0.45, sittings: 4 },
  reading: { wordsPerMinute: READING_PACE, spread: 0.25, sittings: 4 },
  proofreading: { share: 0.2, seconds: 3_600 },
};
/** Less than this says nothing about a pace. */
const LEAST = { words: 10, seconds: 60 };
/** Faster than anyone composes or reads: pasted, or only paged through. */
const MOST = { writing: 90, reading: 700 };

/** A pace is a ratio, so it is averaged in logarithms: twice as fast and half as fast are equally far. */
function measure(
  seen: { words: number; seconds: number }[],
  start: { wordsPerMinute: number; spread: number; sittings: number },
  most: number,
): Measured {
  const paces = seen
    .filter((s) => s.words >= LEAST.words && s.seconds >= LEAST.seconds)
    .map((s) => (s.words * 60) / s.seconds)
    .filter((pace) => pace <= most)
    .map(Math.log);
  const weight = start.sittings + paces.length;
  const mean = (start.sittings * Math.log(start.wordsPerMinute) + paces.reduce((s, x) => s + x, 0)) / weight;
  const spread = Math.sqrt(
    (start.sittings * start.spread ** 2 + paces.reduce((s, x) => s + (x - mean) ** 2, 0)) / weight,
  );
  return {
    wordsPerMinute: Math.exp(mean),
    slow: Math.exp(mean - spread),
    fast: Math.exp(mean + spread),
    from: paces.length,
  };
}

/**
 * A student's own pace from what they did, beginning from a sensible start value.
 * @example paceOf([], []) // the start values
 */
export function paceOf(writing: readonly Spell[], reading: readonly ReadingSpell[]): Pace {
  const proof = writing.reduce((s, w) => s + w.proofreadingSeconds, 0);
  const all = writing.reduce((s, w) => s + w.writingSeconds + w.proofreadingSeconds, 0);
  const start = START.proofreading;
  return {
    writing: measure(
      writing.map((w) => ({ words: w.wordsAdded, seconds: w.writingSeconds })),
      START.writing,
      MOST.writing,
    ),
    reading: measure([...reading], START.reading, MOST.reading),
    proofreading: {
      share: Math.min(0.6, (start.share * start.seconds + proof) / (start.seconds + all)),
      from: writing.length,
    },
  };
}
