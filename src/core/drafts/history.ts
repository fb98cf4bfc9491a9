import type { Instant } from '../ids';

/** Why a version of a draft was kept. */
export type VersionReason = 'as-it-went' | 'other-window' | 'before-restoring' | 'withdrawn';

const MINUTE = 60_000;
/** Who comes back after so long begins a new sitting: what stood before it is a version. */
const PAUSE = 2 * MINUTE;
/** While one writes on and on, a version at least so often. */
const STRIDE = 5 * MINUTE;
/** Taking out so many words at once is worth a way back. */
const BIG_CUT_WORDS = 20;

/**
 * Whether the text that is about to be replaced should stay as a version: after a pause, every few minutes of writing, or
 * before many words go.
 *
 * @example a text of 200 words that becomes one of 20: true
 */
export function isVersionDue(input: {
  before: { keptAt: Instant; words: number };
  next: { now: Instant; words: number };
  /** When the newest version was kept; null when there is none. */
  newest: Instant | null;
}): boolean {
  const { before, next, newest } = input;
  if (before.words === 0) return false;
  if (before.words - next.words >= BIG_CUT_WORDS) return true;
  if (next.now - before.keptAt >= PAUSE) return true;
  return newest === null ? false : next.now - newest >= STRIDE;
}

const NEWEST_KEPT = 40;
const HOUR = 60 * MINUTE;

/**
 * Which versions may go, so that a draft of many days does not grow without end: the newest 40 all stay, of older ones
 * the last of each hour. What was set aside on purpose always stays.
 *
 * @example spentVersions(fortyOrFewer) // []
 */
export function spentVersions<T extends { keptAt: Instant; reason: VersionReason }>(
  versions: readonly T[],
): T[] {
  const old = [...versions]
    .filter((v) => v.reason === 'as-it-went')
    .sort((a, b) => b.keptAt - a.keptAt)
    .slice(NEWEST_KEPT);
  return old.filter(
    (v, i) => i > 0 && Math.floor((old[i - 1]?.keptAt ?? 0) / HOUR) === Math.floor(v.keptAt / HOUR),
  );
}
