import type { Correction } from '@/core/outside/corrections';
import type { Instant, Role } from '@/core/ids';
import type { RosterLine } from '@/core/people/roster';

/** Whose installation it is, as the stewards' pages and every page of trouble say it. */
export type CollegeView = {
  name: string;
  timeZone: string;
  help: { telephone: string; mail: string; hours: string };
  alone: boolean;
  signOn: boolean;
  signOnNew: boolean;
  personMb: number;
  courseMb: number;
  /** What of the mark stands in its address; null where there is none. */
  mark: string | null;
};

export type InvitationLine = {
  id: string;
  name: string;
  email: string;
  course: string | null;
  role: Role | null;
  steward: boolean;
  asked: Instant;
  by: string | null;
};

export type CourseLine = {
  id: string;
  code: string;
  slug: string;
  term: string;
  title: string;
  zone: string;
  students: number;
  staff: number;
  invited: number;
};

export type PersonOnList = {
  id: string;
  name: string;
  email: string;
  steward: boolean;
  ended: boolean;
  lastSeen: Instant | null;
  courses: { code: string; role: Role }[];
};

/** What the stewards' first page says: what is there, and what is to be done next. */
export type StewardHome = {
  college: CollegeView;
  figures: { people: number; courses: number; invited: number };
  todo: ('asking' | 'course' | 'instructor' | 'students' | 'help')[];
  mail: { waiting: number; since: Instant | null; givenUp: number; trouble: string };
  log: LogLine[];
  /** Courses that somebody asks to be let into, with how many ask. */
  asking: { id: string; code: string; n: number }[];
};

/** What people put right of what was read of prompts, and gave: the newest, and how many in all. */
export type CorrectionsPage = {
  lines: (Omit<Correction, 'field'> & { field: string; on: string })[];
  total: number;
};

export type LogLine = {
  id: number;
  at: Instant;
  act: string;
  by: string | null;
  person: string | null;
  course: string | null;
  detail: Record<string, string | number>;
};

export type PeopleList = {
  words: string;
  page: number;
  pages: number;
  total: number;
  people: PersonOnList[];
  invitations: InvitationLine[];
};

/** One person as stewards see them: who and where, never what they wrote. */
export type PersonPage = {
  id: string;
  name: string;
  email: string;
  steward: boolean;
  ended: Instant | null;
  me: boolean;
  demo: boolean;
  signedIn: number;
  /** Whether a second factor is asked of them. */
  second: boolean;
  courses: { id: string; code: string; title: string; role: Role; posts: number }[];
  others: { id: string; code: string; title: string }[];
};

export type CourseOfSteward = {
  course: CourseLine;
  people: { id: string; name: string; email: string; role: Role }[];
  invitations: InvitationLine[];
  code: { code: string; approval: boolean } | null;
  requests: { person: string; name: string; email: string }[];
  leavers: 'stay' | 'withdraw';
};

export type RosterPage = {
  id: string;
  course: CourseLine;
  name: string;
  sound: number;
  problems: RosterLine[];
  /** The first of the sound ones, as they were read. */
  sample: RosterLine[];
};

export type MailView = {
  id: string;
  to: string;
  subject: string;
  text: string;
  html: string | null;
  /** Where an answer goes; null where none is taken. */
  answers: string | null;
  at: Instant;
};
export type MailboxPage = { mails: MailView[]; more: number };
