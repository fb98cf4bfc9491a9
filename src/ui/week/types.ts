import type { Work } from '@/core/planning/work';
import type { Owed } from '@/core/week/owed';
import type { Lane } from '@/core/week/rail';
import type { WeekDay } from '@/core/week/week';
import type { Standable } from '../words/standing';

/** What This week shows, as the server hands it over. */
export type WeekLineView = Standable & {
  slug: string;
  title: string;
  course: { code: string; title: string; outside: boolean };
  week: number;
  unread: number;
  /** For staff: what of it is theirs to look at. */
  teaching: { responses: number; students: number; reports: number } | null;
};

export type WeekView = {
  now: number;
  zone: string;
  owed: Owed;
  lines: WeekLineView[];
  rail: {
    days: WeekDay[];
    today: number;
    nowAt: number;
    lanes: { course: { code: string; title: string }; week: number; lane: Lane }[];
  };
  since: {
    from: number | null;
    replies: {
      post: number;
      slug: string;
      course: string;
      author: string;
      sharedAt: number;
      opening: string;
    }[];
    mentions: { post: number; slug: string; course: string; author: string; sharedAt: number }[];
    notes: {
      id: string;
      kind: 'answer' | 'to-staff';
      reading: { slug: string; title: string };
      course: string;
      author: string;
      madeAt: number;
      beginning: string;
    }[];
    unread: { slug: string; course: string; week: number; n: number; sealed: boolean }[];
  };
  announcements: {
    id: string;
    title: string;
    body: string;
    postedAt: number;
    course: { code: string };
    author: string;
    readAt: number | null;
  }[];
  moreAnnouncements: number;
  /** What is still to do, how long it is likely to take, and when the next thing would be done. */
  ahead: { work: Work; next: { minutes: number } | null; sittings: number };
};
