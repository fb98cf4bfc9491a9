import { randomUUID } from 'node:crypto';
import type { DraftInput, KeepFailure, Kept } from '@/contract/writing';
import { standsTo } from '@/core/drafts/window';
import { isVersionDue, spentVersions, type VersionReason } from '@/core/drafts/history';
import { canonicalJson } from '@/core/posts/canonical';
import { isBlank, plainText } from '@/core/document/flatten';
import { parseDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { postId, type Instant, type PostId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { draftFor, insertDraft, updateDraft, type DraftKey, type DraftRecord } from '@/db/queries/drafts';
import { deleteVersions, keepVersion, newestVersion, versionsOf } from '@/db/queries/draft-versions';
import type { PostRecord } from '@/db/queries/posts';
import { lockSharing, postBySubmission } from '@/db/queries/sharing';
import { enterRoom, type Entered } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { noteSpell } from '../planning/spell';
import { figuresOf, quotable } from '../posts/check-text';
import { givenTo } from '../posts/given';
import { sanitised } from '../posts/sanitise';

type Place = DraftKey & { course: Entered['record']['course']['id'] };
type Text = { title: string; doc: Doc; words: number; keptAt: Instant };

const aside = (db: Db, key: Place, text: Text, reason: VersionReason) =>
  keepVersion(db, key, { ...text, id: randomUUID(), reason });

/** Keeps what is about to be replaced as a version, where that is due, and lets spent ones go. */
async function keepHistory(db: Db, key: Place, before: DraftRecord, next: Text, restoring: boolean) {
  const due = isVersionDue({
    before,
    next: { now: next.keptAt, words: next.words },
    newest: await newestVersion(db, key),
  });
  if (!due && !restoring) return;
  await aside(db, key, before, restoring ? 'before-restoring' : 'as-it-went');
  const spent = spentVersions(await versionsOf(db, key));
  if (spent.length)
    await deleteVersions(
      db,
      spent.map((v) => v.id),
    );
}

/** Whether a post one may read can be answered: not once it was withdrawn or hidden. */
export const canBeAnswered = (post: PostRecord) => !post.withdrawn && !post.hidden;

/** The post a reply answers, when this person may read it and it can be answered. */
export async function answerable(
  db: Db,
  actor: Actor,
  entered: Entered,
  parent: PostId | null,
): Promise<PostRecord | null> {
  if (parent === null) return null;
  const [post] = await visiblePosts(db, actor, entered, [parent]);
  return post && canBeAnswered(post) ? post : null;
}

/**
 * Keeps a draft. Nothing stops a draft: not the deadline, not the closing. Two windows never overwrite each other
 * silently: a text written on an older revision is told of the newer one, and whichever is not taken is kept aside. Keeps of one
 * page that cross on their way are not two windows: the later of them stands.
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
    const door = await enterRoom(deps, actor, slug, tx);
    if (!door.ok) return door;
    const entered = door.value;
    const doc = await sanitised(tx, actor, entered, parsed.value);
    const parent = input.parent === null ? null : postId(input.parent);
    // Of a line to the staff that is not begun yet: it stands under nothing so far.
    const onLine = entered.record.asks && input.kind === 'reply' && parent === null;
    if (!onLine && (input.kind === 'reply') !== (parent !== null))
      return fail({ code: 'post-not-open' as const });
    const answered = await answerable(tx, actor, entered, parent);
    const edits = input.edits ? postId(input.edits) : null;
    if (edits) {
      const [own] = await visiblePosts(tx, actor, entered, [edits]);
      if (own?.author.id !== actor.id || own.kind !== input.kind || own.withdrawn)
        return fail({ code: 'post-not-open' as const });
    }
    const key: Place = {
      author: actor.id,
      course: entered.record.course.id,
      discussion: entered.record.id,
      kind: input.kind,
      parent,
      edits,
    };
    await lockSharing(tx, actor.id, entered.record.id);
    const before = await draftFor(tx, key, true);
    // A draft begun while the post could be read is kept on, even if the post was hidden or withdrawn since.
    if (input.kind === 'reply' && !answered && !before && !edits && !onLine)
      return fail({ code: 'post-not-open' as const });
    if (await postBySubmission(tx, actor.id, input.submission))
      return fail({ code: 'already-shared' as const });

    const figured = await figuresOf(deps, actor, {
      brief: entered.record.brief,
      kind: input.kind,
      title: input.title,
      doc,
      answered,
      readings: await quotable(tx, entered.record),
      given: await givenTo(tx, actor, entered, input.kind, answered),
    });
    const text = {
      title: input.title,
      doc,
      words: figured.words,
      blank: isBlank(doc) && input.title.trim() === '',
      checks: figured.checks,
      keptAt: deps.now,
      by: input.window ? { id: input.window.id, nth: input.window.nth } : null,
    };
    await noteSpell(tx, { person: actor.id, discussion: entered.record.id, now: deps.now }, figured.words);
    if (!before) {
      await insertDraft(
        tx,
        key,
        { id: randomUUID(), submission: input.submission, answeredN: answered?.n ?? null },
        text,
      );
      return ok({ revision: 1, keptAt: deps.now, submission: input.submission });
    }
    // The database gives keys back in an order of its own.
    const same = before.title === input.title && canonicalJson(before.doc) === canonicalJson(doc);
    if (input.conflict === 'aside') {
      await aside(tx, key, text, 'other-window');
      return ok({ revision: before.revision, keptAt: before.keptAt, submission: before.submission });
    }
    const stands = standsTo(before, input.base, input.window ?? null);
    if (stands === 'overtaken')
      return ok({ revision: before.revision, keptAt: before.keptAt, submission: before.submission });
    if (stands === 'apart' && !same) {
      if (input.conflict === 'tell' && plainText(before.doc) !== '') {
        const { title, keptAt, revision, submission } = before;
        return fail({ code: 'other-window' as const, title, doc: before.doc, keptAt, revision, submission });
      }
      await aside(tx, key, before, 'other-window');
    } else if (!same) await keepHistory(tx, key, before, text, input.restoring ?? false);
    const revision = before.revision + 1;
    await updateDraft(tx, before.id, revision, text);
    return ok({ revision, keptAt: deps.now, submission: before.submission });
  });
}
