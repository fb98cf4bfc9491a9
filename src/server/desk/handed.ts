import { z } from 'zod';
import type { Handed } from '@/contract/desk';
import { isTime } from '@/core/deadlines/typed';
import { instantOf } from '@/core/deadlines/wallclock';
import type { DiscussionId, Instant } from '@/core/ids';
import { canonicalJson } from '@/core/posts/canonical';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { deleteDraft, draftFor } from '@/db/queries/drafts';
import { answerHanded, openHandedIn, type HandedOver } from '@/db/queries/handed-over';
import { logModeration } from '@/db/queries/moderation';
import { holdAnswered, lockSharing } from '@/db/queries/sharing';
import { enterDiscussion, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { tellLeave } from '../notices/happened';
import { tellConcerned, tellWhoFollows } from '../notices/tell';
import { storePost } from '../posts/share';
import { discussionOnDesk, enterDesk } from './enter';
import { reason, when } from './fields';

const keyOf = (handed: HandedOver, discussion: DiscussionId) => ({
  author: handed.person.id,
  discussion,
  kind: handed.kind,
  parent: handed.parent,
});

/** The drafts of a discussion that wait for an answer, each with when its text was kept as it was written. */
export const handedIn = async (db: Db, course: EnteredCourse, discussion: DiscussionId): Promise<Handed[]> =>
  (await openHandedIn(db, { course: course.id, discussion })).map(({ person, parent: _, ...handed }) => ({
    ...handed,
    name: person.name,
  }));

export const handedActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('let-count'), handed: z.uuid(), asOf: when, reason }),
  z.object({ act: z.literal('give-back'), handed: z.uuid(), reason }),
]);
export type HandedAct = z.output<typeof handedActSchema>;
export type HandedFailure =
  | NotFound
  | { code: 'no-reason' }
  | { code: 'no-time' }
  | { code: 'not-between' }
  | { code: 'answered-gone' };

/** A draft as a post of its student, shared as of a moment that its deadline is held against. */
async function countedAs(
  deps: Deps,
  tx: Db,
  actor: Actor,
  name: string,
  handed: HandedOver,
  { asOf, reason: why }: { asOf: Instant; reason: string },
): Promise<Result<null, HandedFailure>> {
  const student: Actor = { ...handed.person, timeZone: actor.timeZone, previousVisit: null };
  const door = await enterDiscussion(deps, student, name, tx);
  if (!door.ok) return door;
  const entered = door.value;
  const { record, schedule } = entered;
  await lockSharing(tx, student.id, record.id);
  if (asOf > deps.now || asOf < schedule.opens) return fail({ code: 'not-between' });
  const { kind, parent, title, doc } = handed;
  if (parent !== null) await holdAnswered(tx, parent);
  // The seal does not stand against it: what it answers is read as staff read it.
  const [answered] =
    parent === null
      ? [null]
      : await visiblePosts(tx, actor, { ...entered, staff: true, sealed: false }, [parent]);
  if (parent !== null && (!answered || answered.withdrawn || answered.hidden))
    return fail({ code: 'answered-gone' });
  const post = await storePost(
    deps,
    tx,
    student,
    entered,
    { kind, parent, submission: handed.id, title, doc, private: false },
    answered ?? null,
    asOf,
  );
  if (post === null) return fail({ code: 'not-found' });
  await tellConcerned(deps, tx, record, post);
  await tellWhoFollows(tx, record, post);
  // Of the same words no draft is left.
  const key = keyOf(handed, record.id);
  const kept = await draftFor(tx, key);
  if (kept && canonicalJson(kept.doc) === canonicalJson(doc)) await deleteDraft(tx, key);
  const place = { course: record.course.id, discussion: record.id };
  await answerHanded(tx, handed.id, {
    by: actor.id,
    reason: why,
    now: deps.now,
    counts: { asOf, post },
  });
  await tellLeave(tx, deps.now, place, actor.id, [student.id], 'draft-counted');
  await logModeration(tx, place, { post, person: actor.id, act: 'accept', reason: why, now: deps.now });
  return ok(null);
}

/** What staff do with a draft that was handed to them: they let it count as of a moment they name, with a reason, or give it back. */
export async function actOnHanded(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  act: HandedAct,
): Promise<Result<null, HandedFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx): Promise<Result<null, HandedFailure>> => {
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const [handed] = await openHandedIn(
      tx,
      { course: course.id, discussion: found.value.record.id },
      act.handed,
    );
    if (!handed) return fail({ code: 'not-found' });
    if (act.reason === '') return fail({ code: 'no-reason' });
    if (act.act === 'give-back') {
      await answerHanded(tx, handed.id, { by: actor.id, reason: act.reason, now: deps.now, counts: null });
      const place = { course: course.id, discussion: found.value.record.id };
      await tellLeave(tx, deps.now, place, actor.id, [handed.person.id], 'draft-back');
      return ok(null);
    }
    if (!isTime(act.asOf)) return fail({ code: 'no-time' });
    return countedAs(deps, tx, actor, name, handed, {
      asOf: instantOf(act.asOf, course.zone),
      reason: act.reason,
    });
  });
}
