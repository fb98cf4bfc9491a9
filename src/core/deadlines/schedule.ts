import { instant, type Instant } from '../ids';
import type { Deadline, LateRule } from './late';
import { resolveDeadline } from './resolve';
import { instantOf, type WallClock } from './wallclock';

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
};

/** @example Thursday's and Sunday's wall clocks of Dublin give the moments at which each is over, and when the discussion closes */
export function resolveSchedule(input: ScheduleInput): Schedule {
  const { zone, late, graceMinutes, extensions } = input;
  const deadline = (wall: WallClock, extension?: WallClock | null) =>
    resolveDeadline({ wall, zone, late, graceMinutes, extension });
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
