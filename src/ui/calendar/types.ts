import type { DiscussionEntry } from '@/core/calendar/entries';
import type { BusyTime } from '@/core/planning/cannot';
import type { Sitting } from '@/core/planning/plan';

export type EntryView = DiscussionEntry & {
  uid: string;
  slug: string;
  title: string;
  course: { code: string; slug: string };
  week: number;
  zone: string;
};

export type AssignmentView = {
  id: string;
  slug: string;
  kind: 'response' | 'reply';
  n: number;
  title: string;
  course: { code: string; slug: string };
  zone: string;
  minutes: number;
  deadline: number;
};

export type DayView = {
  date: string;
  start: number;
  end: number;
  today: boolean;
  inside: boolean;
  entries: EntryView[];
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
  assignments: Pick<AssignmentView, 'id' | 'course' | 'kind' | 'n'>[];
  previous: string;
  next: string;
};
