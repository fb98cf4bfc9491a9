import { daysLater, instantOf, wallClockAt, weekdayOf } from '../deadlines/wallclock';
import { instant, type Instant } from '../ids';
import type { Way } from './kinds';
import type { NoticeRules } from './rules';

type Clocked = Pick<NoticeRules, 'quiet' | 'quietDays' | 'gatheredAt' | 'dailyAt'>;

const MINUTE_MS = 60_000;
/** A quiet night and six quiet days in a row have an end within a few steps; an hour that clocks leave out is walked by minutes. */
const MOST_STEPS = 200;
const DAYS_AHEAD = 9;

const dateOf = (wall: string) => wall.slice(0, 10);
const midnightAfter = (wall: string) => daysLater(`${dateOf(wall)}T00:00`, 1);

/** When the quiet stretch that a wall clock stands in is over; null where none is. */
function quietUntil(wall: string, { quiet, quietDays }: Clocked): string | null {
  if (quietDays.includes(weekdayOf(wall))) return midnightAfter(wall);
  if (!quiet) return null;
  const { from, to } = quiet;
  const time = wall.slice(11, 16);
  if (from < to) return time >= from && time < to ? `${dateOf(wall)}T${to}` : null;
  if (time >= from) return `${dateOf(midnightAfter(wall))}T${to}`;
  return time < to ? `${dateOf(wall)}T${to}` : null;
}

/**
 * Whether nothing may be sent at a moment.
 * @example isQuiet(instantOf('2026-10-13T23:00', 'UTC'), USUAL_RULES, 'UTC') // true: from 22:00 on
 */
export const isQuiet = (at: Instant, rules: Clocked, zone: string): boolean =>
  quietUntil(wallClockAt(at, zone), rules) !== null;

/**
 * The first moment from `at` on at which something may be sent: `at` itself, or the end of the quiet stretch. Where clocks go back in a quiet hour the later
 * of the two counts, as for deadlines.
 *
 * @example afterQuiet(instantOf('2026-10-13T23:00', 'UTC'), USUAL_RULES, 'UTC') // 2026-10-14T07:00Z
 */
export function afterQuiet(at: Instant, rules: Clocked, zone: string): Instant {
  let now = at;
  for (let i = 0; i < MOST_STEPS; i += 1) {
    const until = quietUntil(wallClockAt(now, zone), rules);
    if (until === null) return now;
    const then = instantOf(until, zone);
    // An end that does not exist or is shown twice that night: go on minute by minute, never back.
    now = then > now ? then : instant(now + MINUTE_MS);
  }
  return now;
}

/** The first moment after `at` that the clock shows one of these times and that is not quiet, or else the end of that quiet. */
function nextOf(times: readonly string[], at: Instant, rules: Clocked, zone: string): Instant {
  const today = dateOf(wallClockAt(at, zone));
  for (let day = 0; day < DAYS_AHEAD; day += 1) {
    const date = dateOf(daysLater(`${today}T00:00`, day));
    for (const time of times) {
      const then = instantOf(`${date}T${time}`, zone);
      if (then > at) return afterQuiet(then, rules, zone);
    }
  }
  return afterQuiet(instant(at + 86_400_000), rules, zone);
}

/**
 * When a notice that came about at a moment is sent: never before it, never in a quiet hour, and of two the earlier never after the later of the same
 * way. Null where it is only here.
 *
 * @example dueAt('gathered', instantOf('2026-10-13T10:20', 'UTC'), USUAL_RULES, 'UTC') // 2026-10-13T13:00Z
 */
export function dueAt(way: Way, at: Instant, rules: Clocked, zone: string): Instant | null {
  switch (way) {
    case 'here':
      return null;
    case 'once':
      return afterQuiet(at, rules, zone);
    case 'gathered':
      return nextOf(rules.gatheredAt, at, rules, zone);
    case 'daily':
      return nextOf([rules.dailyAt], at, rules, zone);
  }
}

/**
 * The last moment before `at` at which something may be sent: `at` itself where it is not quiet, else the minute before the quiet begins.
 * @example beforeQuiet(instantOf('2026-10-14T05:00', 'UTC'), USUAL_RULES, 'UTC') // 2026-10-13T21:59Z
 */
export function beforeQuiet(at: Instant, rules: Clocked, zone: string): Instant {
  let now = at;
  for (let i = 0; i < MOST_STEPS; i += 1) {
    const wall = wallClockAt(now, zone);
    if (quietUntil(wall, rules) === null) return now;
    const { quiet } = rules;
    const time = wall.slice(11, 16);
    const dayIsQuiet = rules.quietDays.includes(weekdayOf(wall));
    const began = dayIsQuiet
      ? `${dateOf(wall)}T00:00`
      : quiet && time < quiet.from
        ? `${dateOf(daysLater(`${dateOf(wall)}T00:00`, -1))}T${quiet.from}`
        : `${dateOf(wall)}T${quiet?.from ?? '00:00'}`;
    now = instant(Math.min(now, instantOf(began, zone)) - MINUTE_MS);
  }
  return now;
}
