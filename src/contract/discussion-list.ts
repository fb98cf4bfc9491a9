import { z } from 'zod';
import { DISCUSSION_STATES, type DiscussionState } from '@/core/deadlines/state';
import type { Instant } from '@/core/ids';
import type { StatusInput } from './status';

/** What the address of Discussions may ask for; what it cannot mean is as if it were not there. */
export const listAskSchema = z.object({
  course: z.string().max(40).optional().catch(undefined),
  state: z.enum(DISCUSSION_STATES).optional().catch(undefined),
  /** What needs one, or what is new where one follows. */
  needs: z.enum(['me', 'followed']).optional().catch(undefined),
  week: z.iso.date().optional().catch(undefined),
});
export type ListAsk = z.infer<typeof listAskSchema>;

export type DiscussionLine = StatusInput & {
  slug: string;
  title: string;
  course: { code: string; slug: string; outside: boolean };
  week: number;
  unread: number;
  needsMe: boolean;
  /** One follows it, and there is something in it that one has not read and may. */
  newFollowed: boolean;
};

export type WeekGroup = { startsOn: string; when: 'past' | 'now' | 'coming'; lines: DiscussionLine[] };

export type DiscussionList = {
  now: Instant;
  zone: string;
  ask: ListAsk;
  /** Those of which there is a discussion. */
  courses: { code: string; slug: string; title: string }[];
  /** All that one is in. */
  enrolled: { code: string; slug: string; title: string; term: string; staff: boolean }[];
  /** How many discussions each filter leaves, the other filters as they are. */
  counts: { all: number; needsMe: number; newFollowed: number; states: Record<DiscussionState, number> };
  weeks: WeekGroup[];
  /** A week to go to for what is not on this page. */
  earlier: string | null;
  later: string | null;
};
