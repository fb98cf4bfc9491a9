import type { DiscussionHead } from '@/contract/discussion';
import { ok, type Result } from '@/core/result';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { sha256 } from '../posts/fingerprint';

/** A stamp of what a discussion asks of somebody, and by when. */
function stampOf({ record, schedule }: Pick<Entered, 'record' | 'schedule'>): string {
  const { title, prompt, brief, part, group, excused } = record;
  return sha256(JSON.stringify([title, prompt, brief, part, group, excused, schedule])).slice(0, 16);
}

/** The stamp alone: whoever has a page open asks for it now and then. */
export async function askedNow(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<{ stamp: string }, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  return door.ok ? ok({ stamp: stampOf(door.value) }) : door;
}

export function headOf(deps: Deps, entered: Entered): DiscussionHead {
  const { record, schedule, state, ledger, staff, onlooker, sealed, seal, responded, unread, own } = entered;
  return {
    asks: record.asks,
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
    stamp: stampOf(entered),
    now: deps.now,
  };
}
