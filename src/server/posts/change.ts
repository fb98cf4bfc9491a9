import type { z } from 'zod';
import type { ChangeFailure, changeSchema } from '@/contract/writing';
import { editRefusal, withdrawalRefusal, type ChangeRefusal } from '@/core/counting/permission';
import type { PostId } from '@/core/ids';
import { canonicalJson, fingerprintText } from '@/core/posts/canonical';
import { parseDocument } from '@/core/document/document';
import { isBlank, plainText } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { askedUnderCover, nobodyOf } from '@/db/queries/covers';
import { deleteDraft } from '@/db/queries/drafts';
import { postToChange, type PostToChange } from '@/db/queries/post-versions';
import { hasOpenedSeal } from '@/db/queries/seal';
import { takeBack } from '@/db/queries/setup';
import { insertVersion, lockSharing } from '@/db/queries/sharing';
import { enterRoom, type Entered, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { giveBack } from '../drafts/give-back';
import { mayDoAgain } from '../marks/again';
import { tellConcerned } from '../notices/tell';
import { figuresOf, quotable } from './check-text';
import { sha256 } from './fingerprint';
import { givenTo } from './given';
import { sanitised } from './sanitise';

/** Whether a post is what somebody wrote under cover: nobody's, in the thread they asked. */
const isOwnCovered = async (tx: Db, actor: Actor, { record }: Entered, post: PostToChange) =>
  record.asks &&
  (await askedUnderCover(tx, post.id)) === actor.id &&
  post.author === (await nobodyOf(tx, record.course.id));

/** A shared post of one's own, held while it is changed. Another's is not found, whatever it is. */
async function ownPost(
  tx: Db,
  deps: Deps,
  actor: Actor,
  slug: string,
  id: PostId,
): Promise<Result<{ entered: Entered; post: PostToChange }, NotFound>> {
  const first = await enterRoom(deps, actor, slug, tx);
  if (!first.ok) return first;
  await lockSharing(tx, actor.id, first.value.record.id);
  const post = await postToChange(tx, first.value.record.id, id);
  const own = post?.author === actor.id || (post && (await isOwnCovered(tx, actor, first.value, post)));
  return post && own ? ok({ entered: first.value, post }) : fail({ code: 'not-found' });
}

/**
 * Changes a shared post: its text becomes a new version, and the old ones stay. Sent twice it is one change, because a
 * text that is there already changes nothing.
 */
export async function changePost(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: PostId,
  text: z.infer<typeof changeSchema>,
): Promise<Result<{ n: number }, ChangeFailure>> {
  const parsed = parseDocument(text.doc);
  if (!parsed.ok) return parsed;
  return deps.db.transaction(async (tx) => {
    const found = await ownPost(tx, deps, actor, slug, id);
    if (!found.ok) return found;
    const { entered, post } = found.value;
    const { record, schedule } = entered;
    const against = record.course.outside
      ? post.gone && ({ code: 'gone' } as const)
      : editRefusal({
          gone: post.gone,
          schedule,
          now: deps.now,
          again: deps.now >= schedule.closes && (await mayDoAgain(tx, actor, record)),
        });
    if (against) return fail(against);
    const doc = await sanitised(tx, actor, entered, parsed.value);
    if (isBlank(doc)) return fail({ code: 'nothing-written' as const });
    const title = post.kind === 'reply' ? '' : text.title;
    const { kind, parent } = post;
    const same = title === post.latest.title && canonicalJson(doc) === canonicalJson(post.latest.doc);
    if (!same && text.n !== undefined && text.n !== post.latest.n)
      return fail({ code: 'changed-meanwhile' as const });
    await deleteDraft(tx, { author: actor.id, discussion: record.id, kind, parent, edits: id });
    if (same) return ok({ n: post.latest.n });
    const [answered] = parent === null ? [null] : await visiblePosts(tx, actor, entered, [parent]);
    const n = post.latest.n + 1;
    await insertVersion(tx, id, {
      n,
      now: deps.now,
      title,
      doc,
      plain: plainText(doc),
      ...(await figuresOf(deps, actor, {
        brief: record.brief,
        kind,
        title,
        doc,
        answered: answered ?? null,
        readings: await quotable(tx, record),
        given: await givenTo(tx, actor, entered, kind, answered ?? null),
      })),
      fingerprint: sha256(
        fingerprintText({ id, author: actor.id, discussion: record.slug, sharedAt: deps.now, title, doc }),
      ),
    });
    await tellConcerned(deps, tx, record, id);
    return ok({ n });
  });
}

/** Withdraws a post: nobody reads it any more, it counts for nothing, and its text is a draft again. */
export async function withdrawPost(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: PostId,
): Promise<Result<{ kind: 'response' | 'reply'; parent: PostId | null }, NotFound | ChangeRefusal>> {
  return deps.db.transaction(async (tx) => {
    const found = await ownPost(tx, deps, actor, slug, id);
    if (!found.ok) return found;
    const { entered, post } = found.value;
    const { record, schedule } = entered;
    // What stands elsewhere is taken out of the notes about it, and not withdrawn from anybody.
    if (record.course.outside) return fail({ code: 'not-found' as const });
    // Asked under the lock: a classmate's post may have been opened since the page was made.
    const openedOthers = await hasOpenedSeal(tx, {
      course: record.course.id,
      discussion: record.id,
      person: actor.id,
    });
    const against = withdrawalRefusal({ ...post, openedOthers, schedule, now: deps.now });
    if (against) return fail(against);
    const { kind, parent, latest } = post;
    await takeBack(tx, id, 'withdrawn', deps.now);
    await deleteDraft(tx, { author: actor.id, discussion: record.id, kind, parent, edits: id });
    const key = { author: actor.id, course: record.course.id, discussion: record.id, kind, parent };
    await giveBack({ ...deps, db: tx }, actor, entered, key, {
      title: latest.title,
      doc: latest.doc,
      keptAt: deps.now,
    });
    return ok({ kind, parent });
  });
}
