import type { CheckId } from '@/core/brief/brief';
import type { OwnPost, PostKind } from '@/core/counting/types';
import {
  discussionId,
  instant,
  isStaff,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
  type Role,
} from '@/core/ids';
import type { Doc } from '@/core/posts/document';
import { timestamptz, type Db } from '../connection';

/** A check's result as it is stored with a text: without the places, which the text itself gives again. */
export type CheckFigure = {
  id: CheckId;
  have: number;
  need: { min?: number; max?: number };
  met: boolean;
  required: boolean;
};

export type PostRecord = {
  id: PostId;
  author: { id: PersonId; name: string; role: Role };
  kind: PostKind;
  parent: PostId | null;
  privateTo: { id: PersonId; name: string } | null;
  sharedAt: Instant;
  edited: boolean;
  title: string;
  doc: Doc;
  plain: string;
  ownWords: number;
  withdrawn: boolean;
  hidden: boolean;
};

const visible = (db: Db, alias: string) =>
  db.raw(`${alias}.withdrawn_at is null and ${alias}.hidden_at is null`);

/**
 * The posts of a discussion one reader may see, each with its latest version. A private reply goes to its author, the
 * one it is for, and staff; who may read the discussion at all is the use-case's question.
 */
export async function postsForReader(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: { id: PersonId; staff: boolean },
  only?: PostId,
): Promise<PostRecord[]> {
  const rows: {
    id: number;
    author_id: string;
    name: string;
    role: Role;
    kind: PostKind;
    parent_id: number | null;
    private_to: string | null;
    private_name: string;
    shared_at: number;
    withdrawn_at: number | null;
    hidden_at: number | null;
    n: number;
    title: string;
    doc: Doc;
    plain: string;
    own_words: number;
  }[] = await db('posts as p')
    .join('people as a', 'a.id', 'p.author_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOn('e.person_id', 'p.author_id'))
    .joinRaw(
      'join lateral (select * from post_versions v where v.post_id = p.id order by v.n desc limit 1) v on true',
    )
    .leftJoin('people as t', 't.id', 'p.private_to')
    .where({ 'p.course_id': course, 'p.discussion_id': discussion })
    .modify((q) => {
      if (only !== undefined) q.where('p.id', only);
      if (reader.staff) return;
      q.where((w) =>
        w.whereNull('p.private_to').orWhere('p.private_to', reader.id).orWhere('p.author_id', reader.id),
      );
    })
    .orderBy(['p.shared_at', 'p.id'])
    .select(
      'p.id',
      'p.author_id',
      'a.name',
      'e.role',
      'p.kind',
      'p.parent_id',
      'p.private_to',
      't.name as private_name',
      'p.shared_at',
      'p.withdrawn_at',
      'p.hidden_at',
      'v.n',
      'v.title',
      'v.doc',
      'v.plain',
      'v.own_words',
    );
  return rows.map((r) => ({
    id: postId(r.id),
    author: { id: personId(r.author_id), name: r.name, role: r.role },
    kind: r.kind,
    parent: r.parent_id === null ? null : postId(r.parent_id),
    privateTo: r.private_to === null ? null : { id: personId(r.private_to), name: r.private_name },
    sharedAt: instant(r.shared_at),
    edited: r.n > 1,
    title: r.title,
    doc: r.doc,
    plain: r.plain,
    ownWords: r.own_words,
    withdrawn: r.withdrawn_at !== null,
    hidden: r.hidden_at !== null,
  }));
}

export type OwnPostRecord = OwnPost & { discussion: DiscussionId; toName: string | null };

/** A person's own posts with what counting needs, and no texts: in one discussion, or in all of them. */
export async function ownPosts(
  db: Db,
  person: PersonId,
  discussion?: DiscussionId,
): Promise<OwnPostRecord[]> {
  const rows = await db('posts as p')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .leftJoin('people as a', 'a.id', 'q.author_id')
    .leftJoin('enrolments as e', (j) =>
      j.on('e.course_id', 'q.course_id').andOn('e.person_id', 'q.author_id'),
    )
    .join('post_versions as v', 'v.post_id', 'p.id')
    .where('p.author_id', person)
    .modify((q) => {
      if (discussion) q.where('p.discussion_id', discussion);
    })
    .groupBy(
      'p.id',
      'p.discussion_id',
      'p.kind',
      'p.private_to',
      'p.withdrawn_at',
      'p.hidden_at',
      'q.author_id',
      'a.name',
      'e.role',
    )
    .orderBy('p.id')
    .select(
      'p.id',
      'p.discussion_id',
      'p.kind',
      'p.private_to',
      'p.withdrawn_at',
      'p.hidden_at',
      'q.author_id as to_id',
      'a.name as to_name',
      'e.role as to_role',
      db.raw(
        `jsonb_agg(jsonb_build_object('at', round(extract(epoch from v.shared_at) * 1000), 'unmet', v.unmet) order by v.n) as versions`,
      ),
    );
  return rows.map((r) => ({
    id: postId(r.id),
    discussion: discussionId(r.discussion_id),
    kind: r.kind,
    to: r.to_id === null ? null : { person: personId(r.to_id), staff: isStaff(r.to_role) },
    toName: r.to_name,
    private: r.private_to !== null,
    withdrawn: r.withdrawn_at !== null,
    hidden: r.hidden_at !== null,
    versions: r.versions,
  }));
}

export type DeliveredText = {
  id: PostId;
  title: string;
  doc: Doc;
  ownWords: number;
  checks: CheckFigure[];
  fingerprint: string;
  sharedAt: Instant;
};

/** The first version of each of a person's own posts in a discussion: what the receipts speak of. */
export async function deliveredTexts(
  db: Db,
  person: PersonId,
  discussion: DiscussionId,
): Promise<DeliveredText[]> {
  const rows = await db('posts as p')
    .join('post_versions as v', 'v.post_id', 'p.id')
    .where({ 'p.author_id': person, 'p.discussion_id': discussion, 'v.n': 1 })
    .orderBy('p.id')
    .select('p.id', 'v.title', 'v.doc', 'v.own_words', 'v.checks', 'v.fingerprint', 'v.shared_at');
  return rows.map((r) => ({
    id: postId(r.id),
    title: r.title,
    doc: r.doc,
    ownWords: r.own_words,
    checks: r.checks,
    fingerprint: r.fingerprint,
    sharedAt: instant(r.shared_at),
  }));
}

/** How many responses of others wait behind the seal: a number, never a text or a name. */
export async function responsesByOthers(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: PersonId,
) {
  const row = await db('posts as p')
    .where({ 'p.course_id': course, 'p.discussion_id': discussion, 'p.kind': 'response' })
    .whereNot('p.author_id', reader)
    .where(visible(db, 'p'))
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** Since a moment: how many posts others shared with the class, by discussion. */
export async function newPostCounts(db: Db, reader: PersonId, since: Instant) {
  const rows = await db('posts as p')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOnVal('e.person_id', reader))
    .where('p.shared_at', '>', timestamptz(since))
    .whereNot('p.author_id', reader)
    .whereNull('p.private_to')
    .where(visible(db, 'p'))
    .groupBy('p.discussion_id')
    .select('p.discussion_id')
    .count('* as n');
  return rows.map((r) => ({ discussion: discussionId(String(r.discussion_id)), n: Number(r.n) }));
}

/** Replies by others to a person's own posts since a moment, newest first. */
export async function repliesTo(db: Db, person: PersonId, since: Instant, limit: number) {
  const rows = await db('posts as p')
    .join('posts as q', 'q.id', 'p.parent_id')
    .join('people as a', 'a.id', 'p.author_id')
    .joinRaw(
      'join lateral (select plain from post_versions v where v.post_id = p.id order by v.n desc limit 1) v on true',
    )
    .where('q.author_id', person)
    .whereNot('p.author_id', person)
    .where('p.shared_at', '>', timestamptz(since))
    .where((w) => w.whereNull('p.private_to').orWhere('p.private_to', person))
    .where(visible(db, 'p'))
    .orderBy('p.shared_at', 'desc')
    .limit(limit)
    .select('p.id', 'p.discussion_id', 'a.name', 'p.shared_at', db.raw('left(v.plain, 120) as opening'));
  return rows.map((r) => ({
    id: postId(r.id),
    discussion: discussionId(r.discussion_id),
    author: r.name as string,
    sharedAt: instant(r.shared_at),
    opening: r.opening as string,
  }));
}

export type NewPost = {
  course: CourseId;
  discussion: DiscussionId;
  author: PersonId;
  kind: PostKind;
  parent: PostId | null;
  privateTo: PersonId | null;
  submission: string;
  now: Instant;
};

export async function nextPostId(db: Db): Promise<PostId> {
  const { rows } = await db.raw(`select nextval(pg_get_serial_sequence('posts', 'id')) as id`);
  return postId(Number(rows[0].id));
}

/** Inserts a post, unless this submission already made one: then nothing happens and the answer is false. */
export async function insertPost(db: Db, id: PostId, post: NewPost): Promise<boolean> {
  const inserted = await db('posts')
    .insert({
      id,
      course_id: post.course,
      discussion_id: post.discussion,
      author_id: post.author,
      kind: post.kind,
      parent_id: post.parent,
      private_to: post.privateTo,
      submission: post.submission,
      shared_at: timestamptz(post.now),
    })
    .onConflict(['author_id', 'submission'])
    .ignore()
    .returning('id');
  return inserted.length === 1;
}

export type NewVersion = {
  n: number;
  now: Instant;
  title: string;
  doc: Doc;
  plain: string;
  ownWords: number;
  checks: CheckFigure[];
  unmet: CheckId[];
  fingerprint: string;
};

export async function insertVersion(db: Db, id: PostId, version: NewVersion) {
  await db('post_versions').insert({
    post_id: id,
    n: version.n,
    shared_at: timestamptz(version.now),
    title: version.title,
    doc: JSON.stringify(version.doc),
    plain: version.plain,
    own_words: version.ownWords,
    checks: JSON.stringify(version.checks),
    unmet: version.unmet,
    fingerprint: version.fingerprint,
  });
}

/** The post a submission made, if it made one. */
export async function postBySubmission(db: Db, author: PersonId, submission: string) {
  const row = await db('posts')
    .where({ author_id: author, submission })
    .first('id', 'discussion_id', 'kind', 'parent_id');
  return row
    ? {
        id: postId(row.id),
        discussion: discussionId(row.discussion_id),
        kind: row.kind as PostKind,
        parent: row.parent_id === null ? null : postId(row.parent_id),
      }
    : null;
}

/** A post of the same person, in the same place, with the very same text: two windows shared one draft. */
export async function sameTextShared(
  db: Db,
  text: {
    author: PersonId;
    discussion: DiscussionId;
    kind: PostKind;
    parent: PostId | null;
    title: string;
    doc: Doc;
  },
): Promise<PostId | null> {
  const row = await db('posts as p')
    .join('post_versions as v', 'v.post_id', 'p.id')
    .where({
      'p.author_id': text.author,
      'p.discussion_id': text.discussion,
      'p.kind': text.kind,
      'p.parent_id': text.parent,
      'v.title': text.title,
    })
    .whereNull('p.withdrawn_at')
    .whereRaw('v.doc = ?::jsonb', [JSON.stringify(text.doc)])
    .first('p.id');
  return row ? postId(row.id) : null;
}

/** Holds off other shares of the same person in the same discussion until the transaction ends. */
export async function lockSharing(db: Db, author: PersonId, discussion: DiscussionId) {
  await db.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [`${author} ${discussion}`]);
}
