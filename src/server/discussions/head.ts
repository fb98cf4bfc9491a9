import type { DiscussionHead } from '@/contract/discussion';
import type { Entered } from '../access/enter';
import type { Deps } from '../deps';

export function headOf(deps: Deps, entered: Entered): DiscussionHead {
  const { record, schedule, state, ledger, staff, onlooker, sealed, seal, responded, unread, own } = entered;
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
    brief: record.brief,
    part: record.part,
    group: record.group,
    schedule,
    state,
    ledger,
    staff,
    onlooker,
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
