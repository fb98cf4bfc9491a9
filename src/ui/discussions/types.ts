import type { DiscussionState } from '@/core/deadlines/state';
import type { Standable } from '../words/standing';

export type ListLineView = Standable & {
  slug: string;
  title: string;
  course: { code: string; slug: string; outside: boolean };
  week: number;
  unread: number;
  needsMe: boolean;
};

export type ListAskView = {
  course?: string;
  state?: DiscussionState;
  needs?: 'me' | 'followed';
  week?: string;
};

export type ListView = {
  now: number;
  zone: string;
  ask: ListAskView;
  courses: { code: string; slug: string; title: string }[];
  counts: { all: number; needsMe: number; newFollowed: number; states: Record<DiscussionState, number> };
  weeks: { startsOn: string; when: 'past' | 'now' | 'coming'; lines: ListLineView[] }[];
  earlier: string | null;
  later: string | null;
};
