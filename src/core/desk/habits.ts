import { z } from 'zod';
import { lateRuleSchema } from '../deadlines/late';
import { daysLater, weekdayOf, type WallClock } from '../deadlines/wallclock';
import type { Field, Fields } from '../outside/fields';
import { lateFields } from '../outside/fields-of-rules';

const when = z.strictObject({
  /** 1 for Monday to 7 for Sunday. */
  day: z.number().int().min(1).max(7),
  time: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/u),
});

/** What every new discussion of a course begins with, as far as its staff have said so. */
export const habitsSchema = z.strictObject({
  response: when.nullable(),
  replies: when.nullable(),
  late: lateRuleSchema.nullable(),
  points: z.number().int().min(1).max(10_000).nullable(),
});
export type Habits = z.infer<typeof habitsSchema>;
export type Habit = z.infer<typeof when>;

/** The first moment, from a date on, at which a weekday and time of the clock come round. */
function next(from: WallClock, { day, time }: Habit): WallClock {
  const days = (day - weekdayOf(from) + 7) % 7;
  return `${daysLater(`${from.slice(0, 10)}T00:00`, days).slice(0, 10)}T${time}`;
}

/**
 * The fields of a brief that a course's habits say, for a week that begins on a date: the response falls on its weekday of that week, the
 * replies on theirs after it. Without a date, nothing is said of deadlines; with a response's deadline, replies go by that.
 *
 * @example response Thursday 23:59 and replies Sunday 23:59, week from 2026-10-12 // 2026-10-15T23:59 and 2026-10-18T23:59
 */
export function habitFields(
  { response, replies, late, points }: Habits,
  { startsOn, responseDue }: { startsOn: string | null; responseDue: WallClock | null },
): Fields {
  const due = responseDue ?? (response && startsOn ? next(`${startsOn}T00:00`, response) : null);
  const fields: Partial<Record<Field, string>> = {};
  if (due && !responseDue) fields.responseDue = due;
  if (due && replies) {
    const first = next(due, replies);
    fields.repliesDue = first > due ? first : daysLater(first, 7);
  }
  if (points) fields.points = String(points);
  return { ...fields, ...(late ? lateFields(late) : {}) };
}
