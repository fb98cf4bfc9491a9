import type { FirstStep } from '@/core/desk/first-steps';
import type { Doc } from '@/core/document/nodes';
import type { Balance } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Role } from '@/core/ids';
import type { Contradiction } from '@/core/syllabus/contradictions';

export type CourseView = {
  code: string;
  slug: string;
  /** Which of the terms of a code it is; empty where nobody has said. */
  term: string;
  title: string;
  zone: string;
  staff: boolean;
  outside: boolean;
  /** Whether it says how to begin. */
  begins: boolean;
};

/** How one begins in a course. */
export type BeginPage = {
  course: CourseView;
  /** What its staff say; null where they have written nothing. */
  doc: Doc | null;
  /** For a student what to do first, with the reading or discussion that is next in it. */
  steps: (FirstStep & { reading: string | null; discussion: string | null })[];
};

export type CourseWeek = {
  course: CourseView;
  now: number;
  weeks: { number: number; title: string; startsOn: string; current: boolean }[];
  /** The week that is shown; none in a course that has none yet. */
  week: { number: number; title: string; startsOn: string; overview: string } | null;
  readings: {
    slug: string;
    title: string;
    author: string;
    words: number;
    place: string;
    here: boolean;
    readAt: number | null;
    minutes: number;
  }[];
  files: { id: string; name: string; title: string; bytes: number }[];
  prompts: {
    slug: string;
    title: string;
    state: DiscussionState;
    schedule: Schedule;
    ledger: Balance | null;
    unread: number;
    contradictions: Contradiction[];
  }[];
  previous: number | null;
  next: number | null;
};

export type CourseAnnouncement = {
  id: string;
  author: string;
  title: string;
  body: string;
  doc: Doc | null;
  postedAt: number;
  readAt: number | null;
  readBy: number | null;
  /** How it fares by mail: on its way, handed over, refused; for staff. */
  mailed: { waiting: number; sent: number; refused: number } | null;
  /** For how many people it is alone; null for the whole course. */
  chosen: number | null;
};

export type CoursePerson = {
  /** The name of their group; null for who is in none. */
  group: string | null;
  id: string;
  name: string;
  /** How the name is said, where its owner has told. */
  saidAs: string;
  role: Role;
  email: string | null;
  /** Where their picture is seen. */
  picture: string | null;
};

/** How the book of a week words what is not its texts' own. */
export type BookWords = {
  title: (course: string, week: number, title: string) => string;
  overview: string;
  /** Beneath a prompt's title: until when what is owed. */
  prompt: (schedule: Schedule) => string;
};
