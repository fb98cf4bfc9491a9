import type { DiscussionEntry } from '@/core/calendar/entries';
import type { BusyTime } from '@/core/planning/cannot';
import type { WallClock } from '@/core/deadlines/wallclock';
import type { Instant } from '@/core/ids';
import type { LateRule } from '@/core/deadlines/late';
import type { Sitting } from '@/core/planning/plan';
import type { Assignment } from '@/core/planning/tasks';

export type CalendarEntry = DiscussionEntry & {
  uid: string;
  slug: string;
  title: string;
  course: { code: string; slug: string };
  week: number;
  zone: string;
  late: LateRule;
};

/** An hour to meet, or one's slot in it, by its course's clock. */
export type MeetingEntry = {
  uid: string;
  number: number;
  title: string;
  course: { code: string; slug: string };
  place: string;
  zone: string;
  at: Instant;
  until: Instant;
  wall: WallClock;
};

/** Something to be done, with where it belongs and how long it is likely to take. */
export type PlannedAssignment = Assignment & {
  title: string;
  course: { code: string; slug: string };
  week: number;
  zone: string;
};

export type DayView = {
  date: string;
  start: number;
  end: number;
  today: boolean;
  inside: boolean;
  entries: CalendarEntry[];
  meetings: MeetingEntry[];
  busy: BusyTime[];
  sittings: Sitting[];
};

export type CalendarViewProps = {
  now: number;
  zone: string;
  view: 'month' | 'agenda';
  month: string;
  from: string;
  days: DayView[];
  assignments: Pick<PlannedAssignment, 'id' | 'course' | 'kind' | 'n'>[];
  previous: string;
  next: string;
};
