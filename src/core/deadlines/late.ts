import { z } from 'zod';
import type { Instant } from '../ids';
import type { WallClock } from './wallclock';

/** What happens after a deadline (rule 7). */
export const lateRuleSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('refused') }),
  z.strictObject({
    rule: z.literal('accepted'),
    days: z.number().int().min(1).max(60),
    /** Nobody has said what becomes of late work: it is taken down as late, and nothing is claimed. */
    unsaid: z.boolean().optional(),
  }),
  z.strictObject({
    rule: z.literal('penalty'),
    percentPerDay: z.number().min(0).max(100),
    days: z.number().int().min(1).max(60),
    /** A late post's mark never falls under this share of the full one. */
    floorPercent: z.number().min(0).max(100).default(0),
  }),
]);
export type LateRule = z.infer<typeof lateRuleSchema>;

/** A deadline made exact for one student. All instants are exclusive: a post before `due` is in time. */
export type Deadline = {
  /** The course's wall-clock time that is shown. */
  wall: WallClock;
  /** End of the deadline's minute, grace included. */
  due: Instant;
  graceMinutes: number;
  /** Of a deadline that was moved for this student: when everybody else's is, as it is shown. */
  movedFrom: Instant | null;
  /** End of each late day the rule allows, by the wall clock; empty when late work is refused. */
  lateDayEnds: readonly Instant[];
  /** After this nothing more is accepted for it. */
  closes: Instant;
};

export type Lateness =
  | { kind: 'in-time'; marginMs: number }
  | { kind: 'late'; startedDays: number; penaltyPercent: number }
  | { kind: 'too-late' };

/**
 * How a moment stands to a deadline. A started day counts whole and ends at the deadline's time of day; the penalty
 * is percent points of the full mark and never takes it under the rule's floor.
 *
 * @example 25 hours after a deadline at 10 % a day: `{ kind: 'late', startedDays: 2, penaltyPercent: 20 }`
 */
export function lateness(deadline: Deadline, late: LateRule, at: Instant): Lateness {
  if (at < deadline.due) return { kind: 'in-time', marginMs: deadline.due - at };
  const day = deadline.lateDayEnds.findIndex((end) => at < end);
  if (day < 0) return { kind: 'too-late' };
  const startedDays = day + 1;
  const penaltyPercent =
    late.rule === 'penalty' ? Math.min(startedDays * late.percentPerDay, 100 - late.floorPercent) : 0;
  return { kind: 'late', startedDays, penaltyPercent };
}
