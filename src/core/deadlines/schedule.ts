import { instant, type Instant } from '../ids';
import type { Deadline, LateRule } from './late';
import { resolveDeadline } from './resolve';
import { hoursLater, instantOf, type WallClock } from './wallclock';

/** Both deadlines of a discussion as they bind one student. */
export type Schedule = {
  zone: string;
  late: LateRule;
  opens: Instant;
  response: Deadline;
  replies: Deadline;
  /** From here on nothing can be shared; reading goes on. */
  closes: Instant;
};

export type ScheduleInput = {
  zone: string;
  late: LateRule;
  graceMinutes: number;
  opens: WallClock;
  responseDue: WallClock;
  repliesDue: WallClock;
  extensions?: { response?: WallClock | null; replies?: WallClock | null };
  /** Hours that this student always has more, by an accommodation: from everybody's deadlines, not from an extension. */
  moreHours?: number;
};

/** Of an extension and an accommodation the later holds. */
const laterOf = (a: WallClock | null, b: WallClock | null) => (a === null || (b !== null && b > a) ? b : a);

/** @example Thursday's and Sunday's wall clocks of Dublin give the moments at which each is over, and when the discussion closes */
export function resolveSchedule(input: ScheduleInput): Schedule {
  const { zone, late, graceMinutes, extensions, moreHours = 0 } = input;
  const deadline = (wall: WallClock, extension: WallClock | null = null) =>
    resolveDeadline({
      wall,
      zone,
      late,
      graceMinutes,
      extension: laterOf(extension, moreHours ? hoursLater(wall, moreHours, zone) : null),
    });
  const response = deadline(input.responseDue, extensions?.response);
  const replies = deadline(input.repliesDue, extensions?.replies);
  return {
    zone,
    late,
    opens: instantOf(input.opens, zone),
    response,
    replies,
    closes: instant(Math.max(response.closes, replies.closes)),
  };
}
