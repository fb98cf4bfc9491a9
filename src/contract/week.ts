import type { Doc } from '@/core/document/nodes';
import type { Instant } from '@/core/ids';
import type { NoteCall } from '@/core/notes/note-call';
import type { Work } from '@/core/planning/work';
import type { Owed } from '@/core/week/owed';
import type { Lane } from '@/core/week/rail';
import type { WeekDay } from '@/core/week/week';
import type { StatusInput } from './status';

export type WeekLine = StatusInput & {
  slug: string;
  title: string;
  course: { code: string; slug: string; title: string; outside: boolean };
  week: number;
  unread: number;
  /** For staff: what of it is theirs to look at; null for a student. */
  teaching: { responses: number; students: number; reports: number } | null;
};

/** What This week shows. */
export type ThisWeek = {
  now: Instant;
  zone: string;
  owed: Owed;
  lines: WeekLine[];
  rail: {
    days: WeekDay[];
    today: number;
    nowAt: number;
    lanes: { course: { code: string; title: string }; week: number; lane: Lane }[];
  };
  since: {
    from: Instant | null;
    replies: {
      post: number;
      slug: string;
      course: string;
      author: string;
      sharedAt: Instant;
      opening: string;
    }[];
    /** Posts that name the reader, without their words. */
    mentions: { post: number; slug: string; course: string; author: string; sharedAt: Instant }[];
    notes: NoteCall[];
    /** Marks one has not seen: where, and nothing of what they say. */
    marks: { slug: string; title: string; course: string; changed: boolean; at: Instant }[];
    /** Discussions that ask for something else, or by another time, than when the reader was last here. */
    changed: { slug: string; title: string; course: string; at: Instant }[];
    unread: { slug: string; course: string; week: number; n: number; sealed: boolean }[];
  };
  /** Courses whose syllabus waits for one's signature. */
  toSign: { code: string; slug: string }[];
  /** Calendars of other places that name discussions which are not here, or stand here with other deadlines. */
  offering: { id: string; name: string; offers: number }[];
  /** What one will want to read on the way, by its names in addresses: readings of what is open, conversations one follows. */
  later: { readings: string[]; conversations: string[] };
  /** Courses that say how to begin, in which one has shared nothing yet. */
  toBegin: { code: string; slug: string }[];
  /** Whether one is in any course that is held here. */
  inCourses: boolean;
  announcements: {
    id: string;
    title: string;
    body: string;
    doc: Doc | null;
    postedAt: Instant;
    course: { code: string };
    author: string;
    readAt: Instant | null;
  }[];
  /** Unread announcements that are not among those. */
  moreAnnouncements: number;
  /** What is still to do in open discussions, and how long the next thing takes. */
  ahead: { work: Work; next: { minutes: number } | null; sittings: number };
};
