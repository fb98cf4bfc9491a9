import type { TouchedStudent } from '@/contract/desk';
import { briefFor } from '@/core/brief/part-played';
import { isWorse, remeasured, touchedBy, unmetAfter } from '@/core/counting/change';
import { groupBy } from '@/core/group';
import type { LedgerInput } from '@/core/counting/types';
import type { DiscussionId, Instant, PostId } from '@/core/ids';
import { canonicalJson } from '@/core/posts/canonical';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { studentsPage, type ClassStudent } from '@/db/queries/class';
import type { DiscussionRecord, DiscussionWithPrompt } from '@/db/queries/discussions';
import { promptPlain } from '@/db/queries/material';
import { postsIn, type OwnPostRecord } from '@/db/queries/own-posts';
import { setUnmet, shortVersions, type ShortVersion } from '@/db/queries/short-versions';
import { ledgerInputOf } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { figuresOf } from '../posts/check-text';
import { sha256 } from '../posts/fingerprint';
import type { StoredFigures } from '../posts/figures';
import { meetingOf, ownOf, type Own } from './as-student';

/** A course has no more students than this, as far as one change looks. */
const EVERYBODY = { limit: 2_000, offset: 0 };

/** Whether something else is asked of texts than was: else none is measured again. */
const asksOtherwise = (a: DiscussionRecord, b: DiscussionRecord) => {
  const rules = ({ brief: { response, replies, parts, concepts } }: DiscussionRecord) =>
    canonicalJson({ response, replies, parts, concepts });
  return rules(a) !== rules(b);
};

type Remeasured = { version: ShortVersion; figures: StoredFigures };

/** What the short texts of a discussion lack under another brief: each is read in its turn by whatever reads here. */
async function measuredAnew(
  deps: Deps,
  tx: Db,
  actor: Actor,
  after: DiscussionWithPrompt,
  own: Own,
): Promise<Remeasured[]> {
  const out: Remeasured[] = [];
  for (const version of await shortVersions(tx, after.id)) {
    const part = own.played({ discussion: after.id, person: version.author });
    const brief = part ? briefFor(after.brief, part) : after.brief;
    const given = [{ source: 'the prompt', text: promptPlain(after.prompt, after.brief) }];
    const { kind, title, doc, answered } = version;
    out.push({
      version,
      figures: await figuresOf(deps, actor, { brief, kind, title, doc, answered, given }),
    });
  }
  return out;
}

const withMeasured = (
  posts: readonly OwnPostRecord[],
  anew: ReadonlyMap<PostId, readonly Remeasured[]>,
): OwnPostRecord[] =>
  posts.map((post) => {
    const read = anew.get(post.id);
    if (!read) return post;
    const unmet = new Map(read.map(({ version, figures }) => [version.n - 1, figures.unmet] as const));
    return { ...post, versions: remeasured(post.versions, unmet) };
  });

/** Whom a change touches, by name; and a stamp of exactly this, so that who agrees agrees to it and to nothing else. */
export type Touches = { touched: TouchedStudent[]; stamp: string };

export type Consequences = Touches & {
  /** Notes what texts lack under what is asked now. */
  apply: (tx: Db) => Promise<void>;
};

type Sharer = { student: ClassStudent; shared: OwnPostRecord[] };

/** The students who have shared something in each of these discussions, and what is other for single ones. */
async function sharersOf(
  tx: Db,
  course: Pick<EnteredCourse, 'id'>,
  discussions: readonly DiscussionId[],
): Promise<{ sharersIn: (discussion: DiscussionId) => Sharer[]; own: Own }> {
  // One after the other: this may be asked within a change, which has one connection.
  const students = await studentsPage(tx, course.id, EVERYBODY);
  const own = await ownOf(tx, course);
  const written = await ask(postsIn(tx, { course: course.id, discussions }));
  const posts = groupBy(written, (p) => `${p.discussion} ${p.author}`);
  return {
    own,
    sharersIn: (discussion) =>
      students.flatMap((student) => {
        const shared = posts.get(`${discussion} ${student.id}`);
        return shared ? [{ student, shared }] : [];
      }),
  };
}

/** The accounts of those who shared, as a discussion is for each of them. */
function accountsIn(record: DiscussionRecord, own: Own, now: Instant): (sharer: Sharer) => LedgerInput {
  const meets = meetingOf(record, own);
  return ({ student, shared }) => {
    const theirs = meets(student);
    return ledgerInputOf(theirs.record, theirs.schedule, student.id, shared, [], now);
  };
}

/** Made in one order of its fields, so that the same is always written the same. */
const stampOf = (touched: unknown) => sha256(JSON.stringify(touched));

function touchesOf(sharers: readonly Sharer[], pairs: Parameters<typeof touchedBy>[0]): TouchedStudent[] {
  const names = new Map(sharers.map(({ student }) => [student.id, student.name]));
  return touchedBy(pairs).map((t): TouchedStudent => ({
    id: t.student,
    name: names.get(t.student) ?? '',
    worse: isWorse(t),
    loses: t.loses.length,
    gains: t.gains.length,
    met: t.met,
    owed: t.owed,
    complete: t.complete,
  }));
}

/** Whom a change touches in each of some discussions; those in which it touches nobody are left out. */
export type TouchesIn = {
  each: { discussion: DiscussionRecord; touched: TouchedStudent[] }[];
  stamp: string;
};

/**
 * What a change that has no shape of its own does to those who have shared in some discussions of a course: it is made, and both sides of it are
 * looked at.
 */
export async function touchesOfDoing<T>(
  deps: Pick<Deps, 'now'>,
  tx: Db,
  course: Pick<EnteredCourse, 'id'>,
  discussions: readonly DiscussionRecord[],
  change: () => Promise<T>,
): Promise<TouchesIn & { done: T }> {
  const ids = discussions.map((d) => d.id);
  const before = await sharersOf(tx, course, ids);
  const done = await change();
  const after = await sharersOf(tx, course, ids);
  const each = discussions.flatMap((discussion) => {
    const now = accountsIn(discussion, after.own, deps.now);
    const is = new Map(after.sharersIn(discussion.id).map((s) => [s.student.id, now(s)] as const));
    const was = accountsIn(discussion, before.own, deps.now);
    const sharers = before.sharersIn(discussion.id);
    const pairs = sharers.flatMap((s) => {
      const then = is.get(s.student.id);
      return then ? [{ before: was(s), after: then }] : [];
    });
    const touched = touchesOf(sharers, pairs);
    return touched.length ? [{ discussion, touched }] : [];
  });
  return { done, each, stamp: stampOf(each.map((e) => [e.discussion.id, e.touched])) };
}

/** What a change of a discussion's brief or dates does to what its students have shared in it. */
export async function consequencesOf(
  deps: Deps,
  tx: Db,
  actor: Actor,
  course: EnteredCourse,
  { before, after }: { before: DiscussionWithPrompt; after: DiscussionWithPrompt },
): Promise<Consequences> {
  const { sharersIn, own } = await sharersOf(tx, course, [before.id]);
  const sharers = sharersIn(before.id);
  const anew = asksOtherwise(before, after) ? await measuredAnew(deps, tx, actor, after, own) : [];
  const anewOf = groupBy(anew, ({ version }): PostId => version.post);
  const was = accountsIn(before, own, deps.now);
  const becomes = accountsIn(after, own, deps.now);
  const touched = touchesOf(
    sharers,
    sharers.map((s) => ({
      before: was(s),
      after: becomes({ ...s, shared: withMeasured(s.shared, anewOf) }),
    })),
  );
  return {
    touched,
    stamp: stampOf(touched),
    apply: async (db) => {
      for (const { version, figures } of anew) {
        const unmet = unmetAfter(version.unmet, figures.unmet);
        if (unmet.length < version.unmet.length) await setUnmet(db, version, { ...figures, unmet });
      }
    },
  };
}
