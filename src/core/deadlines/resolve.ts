import { instant } from '../ids';
import { remember } from '../memo';
import type { Deadline, LateRule } from './late';
import { daysLater, endOfMinute, instantOf, type WallClock } from './wallclock';

/** A class has one deadline and a few moved ones, asked for once for each student. */
const deadlineAt = remember(
  (wall: WallClock, usual: WallClock, zone: string, days: number, graceMinutes: number): Deadline => {
    const grace = graceMinutes * 60_000;
    const due = instant(endOfMinute(wall, zone) + grace);
    const lateDayEnds = Array.from({ length: days }, (_, i) =>
      instant(endOfMinute(daysLater(wall, i + 1), zone) + grace),
    );
    return {
      wall,
      due,
      graceMinutes,
      movedFrom: wall === usual ? null : instantOf(usual, zone),
      lateDayEnds,
      closes: lateDayEnds[lateDayEnds.length - 1] ?? due,
    };
  },
  2_000,
);

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
  const { wall, zone, late, graceMinutes = 0, extension } = input;
  return deadlineAt(extension ?? wall, wall, zone, late.rule === 'refused' ? 0 : late.days, graceMinutes);
}
