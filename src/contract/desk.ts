import type { DiscussionState } from '@/core/deadlines/state';
import type { Schedule } from '@/core/deadlines/schedule';
import type { Dates } from '@/core/desk/dates';
import type { CourseView } from './course';

/** A discussion as it stands on the sheet of a term. */
export type DeskDiscussion = {
  slug: string;
  title: string;
  state: DiscussionState;
  /** The class sees it. */
  shown: boolean;
  schedule: Schedule;
  responses: number;
  posts: number;
  /** Students who ask for more time. */
  asking: number;
  /** Drafts and notes that students have begun in it. */
  begun: number;
};

export type DeskWeek = {
  number: number;
  title: string;
  startsOn: string;
  overview: string;
  readings: { slug: string; title: string }[];
  discussions: DeskDiscussion[];
};

/** The whole term on one sheet. */
export type Term = {
  course: CourseView;
  now: number;
  students: number;
  weeks: DeskWeek[];
  /** Prompts that were taken in and wait to become discussions. */
  waiting: { id: string; source: string; takenAt: number; opening: string }[];
  /** Other courses one teaches, which an empty one can take over. */
  others: { slug: string; name: string }[];
  /** When a week after the last would begin. */
  nextStart: string;
};

/** More time, or none asked for, for one student. */
export type Leave = {
  person: string;
  name: string;
  excused: boolean;
  responseDue: string | null;
  repliesDue: string | null;
  reason: string;
};

/** That a student asks for more time, and why. */
export type TimeRequest = { person: string; name: string; reason: string; askedAt: number };

/** One discussion on the desk: its dates, whether it is shown, and who has other deadlines. */
export type DeskPage = {
  course: CourseView;
  discussion: DeskDiscussion & { week: number };
  dates: Dates;
  students: { id: string; name: string }[];
  /** Students who owe a response and have shared none that stands. */
  silent: { id: string; name: string }[];
  /** Responses that nobody has answered yet. */
  unanswered: number;
  leaves: Leave[];
  requests: TimeRequest[];
};
