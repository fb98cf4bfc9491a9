import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { personId, postId, type PostId } from '@/core/ids';
import { fingerprintText } from '@/core/posts/canonical';
import { parseDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { isBlank, plainText } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { deletePost, markPasted, outsidePost, toldPerson } from '@/db/queries/outside';
import { takeBack } from '@/db/queries/setup';
import { insertPost, insertVersion, lockSharing, nextPostId } from '@/db/queries/sharing';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { giveBack } from '../drafts/give-back';
import { figuresOf } from '../posts/check-text';
import { sha256 } from '../posts/fingerprint';
import type { NotRead } from '@/contract/not-read';
import { readFor } from '../readers/readers';
import { enterOutside } from './enter';
import { timeSaid } from './time-said';

export const pastedPostSchema = z.strictObject({
  name: z.string().trim().min(1).max(120),
  staff: z.boolean().default(false),
  text: z.string().max(400_000),
  html: z.string().max(2_000_000).default(''),
  /** The post it answers; none for a response. */
  answers: z.number().int().positive().nullable().default(null),
  /** When it was posted there, as the person's own wall clock showed it; not known is now. */
  postedAt: z
    .string()
    .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/u)
    .nullish(),
});
export type PastedPost = z.infer<typeof pastedPostSchema>;

export type PasteFailure =
  NotFound | NotRead | { code: 'nothing-written' } | { code: 'text-too-long' } | { code: 'post-not-open' };

/**
 * Puts a classmate's post, copied from elsewhere, into an outside discussion, so that it can be answered and its answer
 * checked. It counts as read, and is seen by nobody but the one who pasted it.
 */
export async function pastePost(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: PastedPost,
): Promise<Result<{ post: PostId }, PasteFailure>> {
  const pasted = await readFor(deps, actor, 'pasted', input);
  if (!pasted.ok) return pasted;
  const read = parseDocument(pasted.value);
  if (!read.ok) return fail({ code: 'text-too-long' });
  const doc: Doc = read.value;
  if (isBlank(doc)) return fail({ code: 'nothing-written' });
  return deps.db.transaction(async (tx) => {
    const door = await enterOutside(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record } = door.value;
    const answered = input.answers === null ? null : await outsidePost(tx, record.id, postId(input.answers));
    if (input.answers !== null && !answered) return fail({ code: 'post-not-open' as const });
    const author = await toldPerson(
      tx,
      record.course.id,
      { id: actor.id, zone: actor.timeZone },
      { id: personId(randomUUID()), name: input.name, staff: input.staff },
    );
    const id = await nextPostId(tx);
    const at = timeSaid(deps.now, actor.timeZone, input.postedAt);
    const kind = answered ? ('reply' as const) : ('response' as const);
    await insertPost(tx, id, {
      course: record.course.id,
      discussion: record.id,
      author,
      kind,
      parent: input.answers === null ? null : postId(input.answers),
      privateTo: null,
      covered: false,
      groupOf: null,
      submission: randomUUID(),
      now: at,
      notedAt: deps.now,
    });
    await insertVersion(tx, id, {
      n: 1,
      now: at,
      title: '',
      doc,
      plain: plainText(doc),
      ownWords: (await figuresOf(deps, actor, { brief: record.brief, kind, title: '', doc, answered: null }))
        .ownWords,
      // A classmate's post is not measured: only its author owes anything.
      checks: [],
      unmet: [],
      fingerprint: sha256(fingerprintText({ id, author, discussion: slug, sharedAt: at, title: '', doc })),
    });
    await markPasted(
      tx,
      { course: record.course.id, discussion: record.id, person: actor.id, post: id },
      deps.now,
    );
    return ok({ post: id });
  });
}

export type RemoveFailure = NotFound | { code: 'post-not-open' } | { code: 'answered' };

/**
 * Takes a post out of an outside discussion. One's own comes back as a draft, word for word, because it was not posted
 * there after all; a pasted one goes. What is answered stays until the answers are gone.
 */
export async function removePost(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: PostId,
): Promise<Result<{ kind: 'response' | 'reply'; parent: PostId | null; own: boolean }, RemoveFailure>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterOutside(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record } = door.value;
    await lockSharing(tx, actor.id, record.id);
    const post = await outsidePost(tx, record.id, id);
    if (!post) return fail({ code: 'post-not-open' as const });
    const own = post.author === actor.id;
    const { kind, parent } = post;
    if (!own && (post.answered || post.begun)) return fail({ code: 'answered' as const });
    if (own) {
      const key = { author: actor.id, course: record.course.id, discussion: record.id, kind, parent };
      await giveBack({ ...deps, db: tx }, actor, door.value, key, {
        title: post.title,
        doc: post.doc,
        keptAt: deps.now,
      });
    }
    if (post.answered) await takeBack(tx, id, 'withdrawn', deps.now);
    else await deletePost(tx, id, deps.now);
    return ok({ kind, parent, own });
  });
}
