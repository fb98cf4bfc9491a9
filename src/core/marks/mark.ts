import { z } from 'zod';
import { parseDocument } from '../document/document';
import type { Doc } from '../document/nodes';
import type { LateRule } from '../deadlines/late';
import type { Balance, Obligation } from '../counting/types';
import { pointsOf, type Levels, type Rubric } from '../rubric/rubric';
import { COMMENT_LIMITS, commentSchema } from './comment';
import { roundPoints } from './points';

/** How a discussion is marked: by its rubric, by a number, as done or to be done again, or read and remarked on. */
export const WAYS = ['rubric', 'points', 'verdict', 'remarks'] as const;
export const waySchema = z.enum(WAYS);
export type Way = z.infer<typeof waySchema>;

/** A way of marking with what it needs. */
export type Scheme =
  | { by: 'rubric'; rubric: Rubric; of: number }
  | { by: 'points'; of: number }
  | { by: 'verdict' }
  | { by: 'remarks' };

/**
 * How a discussion is marked: as its staff said; where they said nothing, or what they chose is not there, by what there is.
 * @example schemeOf({ way: null, rubric: null, points: 20 }) // { by: 'points', of: 20 }
 */
export function schemeOf(asked: {
  way: Way | null;
  rubric: Rubric | null;
  points: number | undefined;
}): Scheme {
  const { way, rubric, points } = asked;
  if (way === 'verdict' || way === 'remarks') return { by: way };
  if (rubric && way !== 'points') return { by: 'rubric', rubric, of: roundPoints(pointsOf(rubric, {}).of) };
  if (points !== undefined && points > 0) return { by: 'points', of: points };
  return rubric ? { by: 'rubric', rubric, of: roundPoints(pointsOf(rubric, {}).of) } : { by: 'remarks' };
}

export const MARK_LIMITS = { remark: 10_000, reason: 600 } as const;

const levels = z.record(z.string(), z.number().int().min(0).max(9));
const points = z.number().min(0).max(100_000).nullable();
const verdict = z.enum(['done', 'again']).nullable();

/** What of a mark a table of the class can say. */
export const markPartSchema = z.strictObject({ levels, points, verdict });
export type MarkPart = z.infer<typeof markPartSchema>;

/** What staff say of one student's part. */
export const markSchema = z.strictObject({
  levels: levels.default({}),
  points: points.default(null),
  verdict: verdict.default(null),
  /** Other points than all the rest gives, the late rule's part among it, and why. */
  override: z
    .strictObject({
      points: z.number().min(0).max(100_000),
      reason: z.string().trim().min(1).max(MARK_LIMITS.reason),
    })
    .nullable()
    .default(null),
  remark: z.string().max(MARK_LIMITS.remark).default(''),
  /** More than that: a text with clips, files and all that a text can carry. */
  more: z
    .custom<Doc>((value) => parseDocument(value).ok)
    .nullable()
    .default(null),
  /** Remarks at passages of what was shared. */
  comments: z.array(commentSchema).max(COMMENT_LIMITS.most).default([]),
});
export type Mark = z.infer<typeof markSchema>;
/** A mark of which nothing is said. */
export const EMPTY_MARK: Mark = markSchema.parse({});

/** What the late rule takes: so many percent of the full mark, and never below its floor. */
export type Late = { percent: number; floorPercent: number; for: Pick<Obligation, 'kind' | 'n'> };

/**
 * What the late rule takes from a student's part: the most that any of what stands in it is late by. A part is late as a whole, so
 * that a reply a day late beside a response a day late costs a day and not two.
 * @example a response in time and one reply a day late, 10 % a day: { percent: 10, floorPercent: 0, for: that reply }
 */
export function lateOf({ obligations }: Pick<Balance, 'obligations'>, rule: LateRule): Late | null {
  if (rule.rule !== 'penalty') return null;
  const worst = obligations
    .filter((o) => o.post !== null && o.penaltyPercent > 0)
    .reduce<Obligation | null>((a, b) => (a && a.penaltyPercent >= b.penaltyPercent ? a : b), null);
  return (
    worst && {
      percent: worst.penaltyPercent,
      floorPercent: rule.floorPercent,
      for: { kind: worst.kind, n: worst.n },
    }
  );
}

/** What a mark comes to. `open`: so many criteria, or the number or verdict, are not said yet. */
export type Score = {
  open: number;
  /** Before the late rule; null where nothing is counted in points. */
  earned: number | null;
  /** What the late rule takes. */
  taken: number;
  /** What stands in the end. */
  points: number | null;
  of: number | null;
};

/**
 * What a mark comes to: the points of its levels or its number, less what the late rule takes, unless somebody said otherwise with a
 * reason. An override is the end of it: nothing is taken from it.
 * @example of 20 points with 17 earned, a day late at 10 %: { earned: 17, taken: 2, points: 15, of: 20, open: 0 }
 */
export function scoreOf(scheme: Scheme, mark: Mark, late: Late | null): Score {
  if (scheme.by === 'remarks') return { open: 0, earned: null, taken: 0, points: null, of: null };
  if (scheme.by === 'verdict')
    return { open: mark.verdict ? 0 : 1, earned: null, taken: 0, points: null, of: null };
  const { of } = scheme;
  const by = scheme.by === 'rubric' ? pointsOf(scheme.rubric, mark.levels) : null;
  const earned = roundPoints(by ? by.points : (mark.points ?? 0));
  const open = by ? by.open : mark.points === null ? 1 : 0;
  if (mark.override) return { open: 0, earned, taken: 0, points: roundPoints(mark.override.points), of };
  // The floor is a share of the full mark, and never gives more than was earned.
  const floor = late ? Math.min(earned, roundPoints((of * late.floorPercent) / 100)) : 0;
  const least = late ? Math.max(floor, roundPoints(earned - (of * late.percent) / 100)) : earned;
  const points = Math.max(0, Math.min(earned, least));
  return { open, earned, taken: roundPoints(earned - points), points, of };
}

/** Whether anything of a mark was said. @example isBegun(markSchema.parse({})) // false */
export const isBegun = (m: Mark): boolean =>
  Object.keys(m.levels).length > 0 ||
  m.points !== null ||
  m.verdict !== null ||
  m.override !== null ||
  m.remark.trim() !== '' ||
  m.more !== null ||
  m.comments.length > 0;

/**
 * The levels of a mark as far as the rubric of now has them: a rubric may be changed after it was begun.
 * @example a level of a criterion that was taken away is gone, the others stay
 */
export function fitted(scheme: Scheme, levels: Levels): Levels {
  if (scheme.by !== 'rubric') return {};
  return Object.fromEntries(
    scheme.rubric.criteria.flatMap((c) => {
      const level = levels[c.id];
      return level !== undefined && c.levels[level] ? [[c.id, level] as const] : [];
    }),
  );
}
