import { z } from 'zod';
import { daysLater, instantOf } from '../deadlines/wallclock';
import { dayIn } from '../deadlines/day';
import { instant, type Instant } from '../ids';
import type { Span } from './slots';

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/u);

/** How a student wants to work. Times are wall-clock times of the student's own zone. */
export const habitsSchema = z.strictObject({
  sleepFrom: clock.default('23:00'),
  sleepTo: clock.default('07:00'),
  /** A sitting is never longer, and the pause after it never shorter. */
  sittingMinutes: z.number().int().min(15).max(240).default(60),
  breakMinutes: z.number().int().min(15).max(240).default(15),
  /** The planned sittings stand in the calendar feed too. */
  inFeed: z.boolean().default(false),
});
export type Habits = z.infer<typeof habitsSchema>;

/**
 * The nights between two moments, each as it falls by the wall clock of a zone: an hour longer or shorter on the
 * night the clocks change. Sleeping "from 01:00 to 09:00" begins on the day it ends. Equal times mean no sleep.
 *
 * @example two days of sleep from 23:00 to 07:00 give the nights that touch them, eight hours each
 */
export function nights(
  habits: Pick<Habits, 'sleepFrom' | 'sleepTo'>,
  zone: string,
  from: Instant,
  to: Instant,
): Span[] {
  if (habits.sleepFrom === habits.sleepTo) return [];
  const overnight = habits.sleepFrom > habits.sleepTo;
  const found: Span[] = [];
  for (let day = daysLater(`${dayIn(from, zone)}T00:00`, -1); ; day = daysLater(day, 1)) {
    const start = instantOf(`${day.slice(0, 10)}T${habits.sleepFrom}`, zone);
    if (start >= to) return found;
    const wakes = overnight ? daysLater(day, 1) : day;
    const end = instantOf(`${wakes.slice(0, 10)}T${habits.sleepTo}`, zone);
    if (end > from) found.push({ start: instant(Math.max(start, from)), end: instant(Math.min(end, to)) });
  }
}
