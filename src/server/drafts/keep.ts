import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { canonicalJson } from '@/core/posts/canonical';
import { isBlank, plainText } from '@/core/posts/flatten';
import { LIMITS, parseDocument, storable, type Doc, type DocumentFailure } from '@/core/posts/document';
import { countWords } from '@/core/text/words';
import { postId, type Instant, type PostId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { draftFor, insertDraft, keepLeftover, updateDraft, type DraftKey } from '@/db/queries/drafts';
import type { PostRecord } from '@/db/queries/posts';
import { lockSharing, postBySubmission } from '@/db/queries/sharing';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { noteSpell } from '../planning/spell';
import { figuresOf } from '../posts/check-text';
import { honestNames } from '../posts/names';

export const draftInputSchema = z.strictObject({
  kind: z.enum(['response', 'reply']),
  parent: z.number().int().positive().nullable(),
  submission: z.uuid(),
  title: z.string().max(LIMITS.titleLength).transform(storable),
  doc: z.unknown(),
  /** The revision this text was written on; 0 when the draft was new. */
  base: z.number().int().min(0),
  /** `replace`: this text shall stand and the other be kept aside. `aside`: keep this one aside. */
  conflict: z.enum(['tell', 'replace', 'aside']).default('tell'),
});
export type DraftInput = z.infer<typeof draftInputSchema>;

export type Kept = { revision: number; keptAt: Instant; submission: string };
export type KeepFailure =
  | NotFound
  | DocumentFailure
  | { code: 'already-shared' }
  | { code: 'post-not-open' }
  | { code: 'other-window'; title: string; doc: Doc; keptAt: Instant; revision: number; submission: string };

/** The post a reply answers, when this person may read it and it can be answered. */
export async function answerable(
  db: Db,
  actor: Actor,
  entered: Entered,
  parent: PostId | null,
): Promise<PostRecord | null> {
  if (parent === null) return null;
  const [post] = await visiblePosts(db, actor, entered, parent);
  return post && !post.withdrawn && !post.hidden ? post : null;
}

/**
 * Keeps a draft. Nothing stops a draft: not the deadline, not the closing. Two windows never overwrite each other
 * silently: a text written on an older revision is told of the newer one, and whichever is not taken is kept aside.
 */
export async function keepDraft(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: DraftInput,
): Promise<Result<Kept, KeepFailure>> {
  const parsed = parseDocument(input.doc);
  if (!parsed.ok) return parsed;
  return deps.db.transaction(async (tx) => {
    const door = await enterDiscussion(deps, actor, slug, tx);
    if (!door.ok) return door;
    const entered = door.value;
    const doc = await honestNames(tx, actor, entered, parsed.value);
    const parent = input.parent === null ? null : postId(input.parent);
    if ((input.kind === 'reply') !== (parent !== null)) return fail({ code: 'post-not-open' as const });
    const answered = await answerable(tx, actor, entered, parent);
    const key: DraftKey & { course: Entered['record']['course']['id'] } = {
      author: actor.id,
      course: entered.record.course.id,
      discussion: entered.record.id,
      kind: input.kind,
      parent,
    };
    await lockSharing(tx, actor.id, entered.record.id);
    const before = await draftFor(tx, key, true);
    // A draft begun while the post could be read is kept on, even if the post was hidden or withdrawn since.
    if (input.kind === 'reply' && !answered && !before) return fail({ code: 'post-not-open' as const });
    if (await postBySubmission(tx, actor.id, input.submission))
      return fail({ code: 'already-shared' as const });

    const text = {
      title: input.title,
      doc,
      blank: isBlank(doc) && input.title.trim() === '',
      checks: figuresOf(entered.record.brief, input.kind, input.title, doc, answered).checks,
      keptAt: deps.now,
    };
    await noteSpell(
      tx,
      { person: actor.id, discussion: entered.record.id, now: deps.now },
      countWords(plainText(doc)),
    );
    if (!before) {
      await insertDraft(tx, key, { id: randomUUID(), submission: input.submission }, text);
      return ok({ revision: 1, keptAt: deps.now, submission: input.submission });
    }
    // The database gives keys back in an order of its own.
    const same = before.title === input.title && canonicalJson(before.doc) === canonicalJson(doc);
    if (input.conflict === 'aside') {
      await keepLeftover(tx, key, text);
      return ok({ revision: before.revision, keptAt: before.keptAt, submission: before.submission });
    }
    if (before.revision !== input.base && !same) {
      if (input.conflict === 'tell' && plainText(before.doc) !== '') {
        const { title, keptAt, revision, submission } = before;
        return fail({ code: 'other-window' as const, title, doc: before.doc, keptAt, revision, submission });
      }
      await keepLeftover(tx, key, before);
    }
    const revision = before.revision + 1;
    await updateDraft(tx, before.id, revision, text);
    return ok({ revision, keptAt: deps.now, submission: before.submission });
  });
}
