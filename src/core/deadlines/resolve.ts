import { instant } from '../ids';
import type { Deadline, LateRule } from './late';
import { daysLater, endOfMinute, instantOf, type WallClock } from './wallclock';

/**
 * Grace and extension move the deadline before the late rule is applied.
 * @example `wall: '2026-10-15T23:59'` in Dublin with 10 minutes of grace is due at 00:10 of the 16th
 */
export function resolveDeadline(input: {
  wall: WallClock;
  zone: string;
  late: LateRule;
  graceMinutes?: number;
  extension?: WallClock | null;
}): Deadline {
  const { zone, late, graceMinutes = 0, extension } = input;
  const wall = extension ?? input.wall;
  const grace = graceMinutes * 60_000;
  const days = late.rule === 'refused' ? 0 : late.days;
  const due = instant(endOfMinute(wall, zone) + grace);
  const lateDayEnds = Array.from({ length: days }, (_, i) =>
    instant(endOfMinute(daysLater(wall, i + 1), zone) + grace),
  );
  return {
    wall,
    due,
    graceMinutes,
    movedFrom: wall === input.wall ? null : instantOf(input.wall, zone),
    lateDayEnds,
    closes: lateDayEnds[lateDayEnds.length - 1] ?? due,
  };
}
