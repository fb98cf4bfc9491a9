import type { Ledger } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Owed } from '@/core/week/owed';
import type { Lane } from '@/core/week/rail';
import type { WeekDay } from '@/core/week/week';
import type { Standable } from '../words/standing';

/** What This week shows, as the server hands it over. */
export type WeekLineView = Standable & {
  slug: string;
  title: string;
  course: { code: string; title: string };
  week: number;
  newPosts: number;
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
    newPosts: { slug: string; course: string; week: number; n: number; sealed: boolean }[];
  };
  announcements: {
    id: string;
    title: string;
    body: string;
    postedAt: number;
    course: string;
    author: string;
  }[];
};

export type ShelfView = {
  code: string;
  title: string;
  zone: string;
  discussions: {
    slug: string;
    title: string;
    week: number;
    state: DiscussionState;
    schedule: Schedule;
    ledger: Ledger | null;
    draftChecks: Standable['draftChecks'];
  }[];
};
