import type { Brief } from '@/core/brief/brief';
import type { Seal } from '@/core/counting/seal';
import type { Ledger } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Instant } from '@/core/ids';
import type { Entered } from '../access/enter';
import type { Deps } from '../deps';

/** What stands over each of a discussion's rooms. */
export type DiscussionHead = {
  slug: string;
  title: string;
  course: { code: string; title: string; slug: string; outside: boolean };
  week: number;
  weekTitle: string;
  brief: Brief;
  schedule: Schedule;
  state: DiscussionState;
  ledger: Ledger | null;
  staff: boolean;
  sealed: boolean;
  seal: Seal | null;
  responded: boolean;
  /** Responses in sight of the class, one's own among them: a number the seal does not hide. */
  responses: number;
  /** Those of others. */
  othersResponses: number;
  /** Posts of others that the reader has not read. */
  unread: number;
  now: Instant;
};

export function headOf(deps: Deps, entered: Entered): DiscussionHead {
  const { record, schedule, state, ledger, staff, sealed, seal, responded, unread, own } = entered;
  return {
    slug: record.slug,
    title: record.title,
    course: {
      code: record.course.code,
      title: record.course.title,
      slug: record.course.slug,
      outside: record.course.outside,
    },
    week: record.week.number,
    weekTitle: record.week.title,
    brief: record.brief,
    schedule,
    state,
    ledger,
    staff,
    sealed,
    seal,
    responded,
    responses: record.responses,
    othersResponses:
      record.responses - own.filter((p) => p.kind === 'response' && !p.withdrawn && !p.hidden).length,
    unread,
    now: deps.now,
  };
}
