import type { DiscussionHead, OpenDraft } from '@/contract/discussion';
import { editRefusal, withdrawalRefusal, type ChangeRefusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import type { Compared } from '@/core/drafts/difference';
import type { PostId } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { fail, ok, type Result } from '@/core/result';
import { draftFor } from '@/db/queries/drafts';
import { isAnswered, versionsOfPost, type PostVersion } from '@/db/queries/post-versions';
import type { PostRecord } from '@/db/queries/posts';
import { enterRoom, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { headOf } from '../discussions/head';
import { mayDoAgain } from '../marks/again';
import { quotable } from './check-text';
import { givenTo } from './given';
import { compareFor } from '../drafts/compare';
import { openDraft } from '../drafts/open';

/** A version with what is different in it from the one before; null in the first, and where the two are too different to say. */
type ComparedVersion = PostVersion & { compared: Compared | null };

/** Every text a post has had: for its author and for staff. The class sees only that it was edited. */
export async function postHistory(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: PostId,
): Promise<Result<{ head: DiscussionHead; post: PostRecord; versions: ComparedVersion[] }, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const [post] = await visiblePosts(deps.db, actor, door.value, [id]);
  if (!post || (post.author.id !== actor.id && !door.value.staff)) return fail({ code: 'not-found' });
  const versions = await versionsOfPost(deps.db, id);
  const compared: ComparedVersion[] = [];
  for (const [i, version] of versions.entries()) {
    const before = versions[i - 1];
    compared.push({
      ...version,
      compared: before ? await compareFor(deps, actor, before, version, false) : null,
    });
  }
  return ok({ head: headOf(deps, door.value), post, versions: compared });
}

/** A shared post of one's own on the desk again. */
export type Changing = {
  head: DiscussionHead;
  post: PostRecord;
  /** What a reply answers; null for a response. */
  answered: PostRecord | null;
  prompt: Doc;
  draft: OpenDraft;
  refused: ChangeRefusal | null;
  withdrawal: ChangeRefusal | null;
  ledgerInput: LedgerInput | null;
};

export async function changingPost(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: PostId,
): Promise<Result<Changing, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const [post] = await visiblePosts(deps.db, actor, entered, [id]);
  if (!post || post.author.id !== actor.id) return fail({ code: 'not-found' });
  const { record, schedule } = entered;
  const draft = await draftFor(deps.db, {
    author: actor.id,
    discussion: record.id,
    kind: post.kind,
    parent: post.parent,
    edits: id,
  });
  const [parent = null] =
    post.parent === null ? [] : await visiblePosts(deps.db, actor, entered, [post.parent]);
  const gone = post.withdrawn || post.hidden;
  const answered = await isAnswered(deps.db, id);
  return ok({
    head: headOf(deps, entered),
    post,
    answered: parent,
    prompt: record.prompt,
    draft: await openDraft(deps, actor, draft, post, {
      kind: post.kind,
      brief: record.brief,
      answered: parent,
      readings: await quotable(deps.db, record),
      given: await givenTo(deps.db, actor, entered, post.kind, parent),
    }),
    refused: record.course.outside
      ? null
      : editRefusal({
          gone,
          schedule,
          now: deps.now,
          again: deps.now >= schedule.closes && (await mayDoAgain(deps.db, actor, record)),
        }),
    withdrawal: record.course.outside
      ? { code: 'gone' }
      : withdrawalRefusal({
          kind: post.kind,
          gone,
          answered,
          schedule,
          openedOthers: record.openedOthers,
          now: deps.now,
        }),
    ledgerInput: entered.ledgerInput,
  });
}
