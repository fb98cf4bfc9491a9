import type { ShareFailure, ShareInput, Shared } from '@/contract/writing';
import { instantOf } from '@/core/deadlines/wallclock';
import { postId, type Instant, type PersonId, type PostId } from '@/core/ids';
import { fingerprintText } from '@/core/posts/canonical';
import { parseDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { isBlank, plainText } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { askedUnderCover, nobodyOf } from '@/db/queries/covers';
import { wakeJob } from '@/db/queries/jobs';
import { isThreadLocked, logModeration } from '@/db/queries/moderation';
import { deleteDraft, type DraftKey } from '@/db/queries/drafts';
import type { PostRecord } from '@/db/queries/posts';
import { insertReads } from '@/db/queries/reading';
import {
  holdAnswered,
  insertPost,
  insertVersion,
  lockSharingIn,
  nextPostId,
  postBySubmission,
  sameTextShared,
} from '@/db/queries/sharing';
import { enterRoom, type Entered } from '../access/enter';
import { refused } from '../access/refused';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { canBeAnswered } from '../drafts/keep';
import { tellConcerned, tellWhoFollows } from '../notices/tell';
import { tellAsked } from '../notices/tell-asked';
import { LEARN_QUESTIONS } from '../questions/learn';
import { askerOf, putQuestion, type AskedAs } from '../questions/put';
import { figuresOf, quotable } from './check-text';
import { givenTo } from './given';
import { sanitised } from './sanitise';
import { sha256 } from './fingerprint';

/**
 * A private reply's conversation stays private, between its two; otherwise the writer chooses. Never with oneself. What answers a question goes to whom that
 * goes, which the database sees to.
 */
function addressee(
  input: ShareInput,
  answered: PostRecord | null,
  actor: Actor,
  entered: Entered,
  asked: Asked | null,
): PersonId | null {
  if (asked) return asked.asking.audience === 'staff' ? asked.author : null;
  if (entered.record.asks) return null;
  if (!answered || entered.record.course.outside) return null;
  if (answered.author.id === actor.id) return answered.privateTo?.id ?? null;
  return input.private || answered.privateTo !== null ? answered.author.id : null;
}

const MINUTE_MS = 60_000;

/**
 * The time of a post: the moment the request arrived (rule 6). Of a post that was made elsewhere it is the time at which it
 * was made there, which only its author can say.
 */
function timeOfPost(
  deps: Deps,
  actor: Actor,
  entered: Entered,
  said: string | null | undefined,
): Result<Instant, ShareFailure> {
  if (!entered.record.course.outside || !said) return ok(deps.now);
  try {
    const at = instantOf(said, actor.timeZone);
    if (at > deps.now) return fail({ code: 'not-posted-yet' });
    return ok(deps.now - at < MINUTE_MS ? deps.now : at);
  } catch (error) {
    if (error instanceof RangeError) return fail({ code: 'no-such-time' });
    throw error;
  }
}

/** Where a draft stands of what begins a line to the staff: it answers nothing yet. */
export const LINE_BEGUN = { kind: 'reply', parent: null } as const;

/** As whom somebody asks, and how. */
export type Asked = { asking: AskedAs; author: PersonId };

/** As whom somebody writes: as themselves, but for whoever asks under cover, there. */
async function authorOf(
  tx: Deps['db'],
  actor: Actor,
  { record }: Entered,
  answered: PostRecord | null,
  asked: Asked | null,
): Promise<PersonId> {
  if (asked) return asked.author;
  if (!record.asks || !answered || (await askedUnderCover(tx, answered.id)) !== actor.id) return actor.id;
  return nobodyOf(tx, record.course.id);
}

/** Stores a post with its first text, as of a moment: checked against its brief as of now. Null where its submission made one before. */
export async function storePost(
  deps: Deps,
  tx: Deps['db'],
  actor: Actor,
  entered: Entered,
  input: ShareInput & { doc: Doc },
  answered: PostRecord | null,
  at: Instant,
  asked: Asked | null = null,
): Promise<PostId | null> {
  const id = await nextPostId(tx);
  const { record } = entered;
  const author = await authorOf(tx, actor, entered, answered, asked);
  const made = await insertPost(tx, id, {
    course: record.course.id,
    discussion: record.id,
    author,
    kind: input.kind,
    parent: answered?.id ?? null,
    privateTo: addressee(input, answered, actor, entered, asked),
    covered: asked !== null && asked.asking.cover !== 'no',
    groupOf: asked?.asking.audience === 'group' ? actor.id : null,
    submission: input.submission,
    now: at,
    notedAt: entered.record.course.outside ? deps.now : null,
  });
  if (!made) return null;
  const { title, doc } = input;
  await insertVersion(tx, id, {
    n: 1,
    now: at,
    title,
    doc,
    plain: plainText(doc),
    ...(await figuresOf(deps, actor, {
      brief: record.brief,
      kind: input.kind,
      title,
      doc,
      answered,
      readings: await quotable(tx, record),
      given: await givenTo(tx, actor, entered, input.kind, answered),
    })),
    fingerprint: sha256(fingerprintText({ id, author, discussion: record.slug, sharedAt: at, title, doc })),
  });
  return id;
}

/**
 * Shares a post: one transaction, and the same submission sent twice (double click, a retry after a lost answer)
 * makes one post. `deps.now` is the moment the request arrived, which is the post's time (rule 6). Only the calendar,
 * the late rule, the seal and a locked thread refuse; a text that misses a check is shared and counted as short.
 */
export async function share(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: ShareInput,
  asking: AskedAs | null = null,
  /** It was written as what stands on a line to the staff, before there was one. */
  onLine = asking?.kind === 'line',
): Promise<Result<Shared, ShareFailure>> {
  const parsed = parseDocument(input.doc);
  if (!parsed.ok) return parsed;
  return deps.db.transaction(async (tx) => {
    // Everything is read under the lock: another share of this person may have just gone through.
    await lockSharingIn(tx, actor.id, slug);
    const door = await enterRoom(deps, actor, slug, tx);
    if (!door.ok) return door;
    const entered = door.value;
    const { record } = entered;
    const before = await postBySubmission(tx, actor.id, input.submission);
    if (before) return ok({ post: before.id, kind: before.kind, repeated: true });

    // In a discussion nobody asks, and among questions nobody responds.
    if (input.kind === 'response' && record.asks !== (asking !== null))
      return fail({ code: 'post-not-open' as const });
    const parent = input.parent === null ? null : postId(input.parent);
    const against = refused(deps, entered, input.kind);
    if (against) return fail(against);
    const at = timeOfPost(deps, actor, entered, input.postedAt);
    if (!at.ok) return at;
    const doc = await sanitised(tx, actor, entered, parsed.value);
    // A question may be all in its title.
    if (isBlank(doc) && !(asking && input.title.trim())) return fail({ code: 'nothing-written' as const });

    if (parent !== null) await holdAnswered(tx, parent);
    const [named] = parent === null ? [] : await visiblePosts(tx, actor, entered, [parent]);
    const answered = named && canBeAnswered(named) ? named : null;
    if (input.kind === 'reply' && named && !answered) return fail({ code: 'answered-gone' as const });
    if ((input.kind === 'reply') !== (answered !== null)) return fail({ code: 'post-not-open' as const });
    // Asked of a post that one may read: of no other is anything told.
    const locked = answered && refused(deps, entered, input.kind, await isThreadLocked(tx, answered.id));
    if (locked) return fail(locked);
    if (answered && input.answeredN && input.answeredN < answered.n) {
      const { n, title, doc: now } = answered;
      return fail({ code: 'answered-changed' as const, n, title, doc: now });
    }
    const place = { author: actor.id, discussion: record.id };
    const key: DraftKey = { ...place, ...(onLine ? LINE_BEGUN : { kind: input.kind, parent }) };

    const same = await sameTextShared(tx, { ...place, kind: input.kind, parent, title: input.title, doc });
    if (same) {
      await deleteDraft(tx, key);
      return ok({ post: same, kind: input.kind, repeated: true });
    }
    const asked = asking && { asking, author: await askerOf(tx, actor, record, asking) };
    const id = await storePost(deps, tx, actor, entered, { ...input, doc }, answered, at.value, asked);
    if (id === null) throw new Error('the submission was taken under the lock');
    if (asked) await putQuestion(deps, tx, actor, record, id, asked.asking);
    // What one asked under cover is nobody's: it would be new to oneself.
    if (record.asks)
      await insertReads(
        tx,
        record.course.id,
        record.id,
        { id: actor.id, staff: entered.staff },
        [id],
        deps.now,
      );
    await (record.asks ? tellAsked(deps, tx, record, id) : tellConcerned(deps, tx, record, id));
    await tellWhoFollows(tx, record, id);
    if (record.asks) await wakeJob(tx, LEARN_QUESTIONS);
    await deleteDraft(tx, key);
    if (answered && entered.staff) {
      const place = { course: record.course.id, discussion: record.id };
      await logModeration(tx, place, { post: id, person: actor.id, act: 'answer', now: deps.now });
    }
    return ok({ post: id, kind: input.kind, repeated: false });
  });
}
