import type { Syllabus } from '../syllabus/syllabus';
import { percentOf, roundPoints, sumPoints } from './points';

/** One discussion of a course for what its marks add up to. */
export type MarkedDiscussion = {
  slug: string;
  /** The points that were given and how many there were to have; null while no mark is released. */
  mark: { points: number; of: number } | null;
  /** What is still to be had in it: 0 where it is marked, excused, not counted in points or can no longer be met. */
  toWin: number;
};

export type Standing = {
  points: number;
  of: number;
  /** Of the points marked so far; null where none are. */
  percent: number | null;
  grade: string | null;
  toWin: number;
  /** Where the course ends at the usual level, from and to, in percent; null where nothing is marked or to be won. */
  ends: { from: number; to: number } | null;
};

/**
 * The grade of a share of the full mark by a course's scale, the best first; null under its last step.
 * @example gradeOf(83, [{ grade: 'A', from: 90 }, { grade: 'B', from: 80 }]) // 'B'
 */
export const gradeOf = (percent: number, scale: Syllabus['scale']): string | null =>
  scale.find((s) => percent >= s.from)?.grade ?? null;

/**
 * Whatever part of a course its syllabus gives to discussions, in percent; null where it names none.
 * @example weightOfDiscussions({ weights: [{ what: 'Discussions', percent: 40 }] }) // 40
 */
export const weightOfDiscussions = ({ weights }: Pick<Syllabus, 'weights'>): number | null => {
  const found = weights.filter((w) => /discussion|posts?\b|forum|conversation/iu.test(w.what));
  return found.length ? sumPoints(found.map((w) => w.percent)) : null;
};

/** A value of sorted ones, so far along them, between neighbours by where it falls. */
function quantile(sorted: readonly number[], part: number): number {
  const at = (sorted.length - 1) * part;
  const low = sorted[Math.floor(at)] ?? 0;
  return low + ((sorted[Math.ceil(at)] ?? low) - low) * (at - Math.floor(at));
}

/**
 * How somebody stands in a course by the marks that are released. The usual level is the middle half of the marked discussions'
 * shares: what is still to be won is counted at its lower and at its upper end.
 *
 * @param guesses points for discussions that are not marked, for "what if"; they count as if they were marks
 * @example 17 of 20 marked and 20 to be won: { points: 17, of: 20, percent: 85, toWin: 20, ends: { from: 85, to: 85 }, … }
 */
export function standingOf(
  discussions: readonly MarkedDiscussion[],
  scale: Syllabus['scale'] | null,
  guesses: Readonly<Record<string, number>> = {},
): Standing {
  const guessed = (d: MarkedDiscussion) => {
    const points = d.mark ? undefined : guesses[d.slug];
    return points === undefined || d.toWin <= 0
      ? null
      : { points: Math.min(d.toWin, Math.max(0, roundPoints(points))), of: d.toWin };
  };
  const counted = discussions.flatMap((d) => d.mark ?? guessed(d) ?? []);
  const points = sumPoints(counted.map((m) => m.points));
  const of = sumPoints(counted.map((m) => m.of));
  const toWin = sumPoints(discussions.map((d) => (d.mark || guessed(d) ? 0 : d.toWin)));
  const percent = percentOf(points, of);
  const shares = counted
    .filter((m) => m.of > 0)
    .map((m) => m.points / m.of)
    .sort((a, b) => a - b);
  const end = (part: number) => percentOf(points + quantile(shares, part) * toWin, of + toWin) ?? 0;
  return {
    points,
    of,
    percent,
    grade: percent === null || !scale ? null : gradeOf(percent, scale),
    toWin,
    ends: shares.length && toWin > 0 ? { from: end(0.25), to: end(0.75) } : null,
  };
}
