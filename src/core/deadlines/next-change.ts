import type { Instant } from '../ids';
import { CLOSING_MS } from './state';
import type { Schedule } from './schedule';

/**
 * The next moment at which something a screen says of a discussion becomes another: it opens, a deadline comes within
 * a day, passes, its late day ends, or it closes. Null when nothing will change any more.
 *
 * @example two days before a deadline of Thursday 23:59: Wednesday midnight, when a day is left
 */
export function nextChange(schedule: Schedule, now: Instant): Instant | null {
  const { opens, response, replies, closes } = schedule;
  const moments = [
    opens,
    // Exactly a day before it is not within a day yet.
    ...[response, replies].flatMap((d) => [d.due - CLOSING_MS + 1, d.due, ...d.lateDayEnds]),
    closes,
  ].filter((at) => at > now);
  return moments.length ? (Math.min(...moments) as Instant) : null;
}

/**
 * The first change among several discussions.
 * @example firstChange([], now) // null
 */
export function firstChange(schedules: readonly Schedule[], now: Instant): Instant | null {
  const changes = schedules.map((s) => nextChange(s, now)).filter((at) => at !== null);
  return changes.length ? (Math.min(...changes) as Instant) : null;
}
