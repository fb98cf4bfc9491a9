import { outlineOf } from '@/core/document/outline';
import type { CheckId } from '@/core/brief/brief';
import type { CheckFigure } from '@/core/checks/types';
import type { PostKind } from '@/core/counting/types';
import {
  discussionId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { filesIn } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { timestamptz, type Db } from '../connection';
import { notePostFiles } from './files';

export type NewPost = {
  course: CourseId;
  discussion: DiscussionId;
  author: PersonId;
  kind: PostKind;
  parent: PostId | null;
  privateTo: PersonId | null;
  /** Of a question: it is asked under cover. What answers it goes with it. */
  covered: boolean;
  /** Of a question for a group: whose group that is. */
  groupOf: PersonId | null;
  submission: string;
  now: Instant;
  /** Of a post made elsewhere: when it was noted here. */
  notedAt: Instant | null;
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
      covered: post.covered,
      grouped: post.groupOf !== null,
      group_id:
        post.groupOf === null
          ? null
          : db('enrolments').where({ course_id: post.course, person_id: post.groupOf }).select('group_id'),
      submission: post.submission,
      shared_at: timestamptz(post.now),
      noted_at: post.notedAt === null ? null : timestamptz(post.notedAt),
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
    ...outlineOf(version.doc),
  });
  await notePostFiles(db, id, version.n, filesIn(version.doc));
}

/** The post that somebody's submission made, if it made one, under cover or not. */
export async function postBySubmission(db: Db, author: PersonId, submission: string) {
  const row = await db('posts')
    .where({ submission })
    .where((q) =>
      q
        .where('author_id', author)
        .orWhereExists((c) =>
          c
            .select(db.raw('1'))
            .from('covers')
            .whereRaw('covers.thread_id = posts.thread_id')
            .where('covers.person_id', author),
        ),
    )
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

/** Holds a post that is being answered: whoever withdraws it waits until the answer is there, or came before it. */
export async function holdAnswered(db: Db, id: PostId) {
  await db('posts').where({ id }).forKeyShare().first('id');
}

/** Holds off other shares of the same person in the same discussion until the transaction ends. */
export async function lockSharing(db: Db, author: PersonId, discussion: DiscussionId) {
  await db.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [`${author} ${discussion}`]);
}

/** The same for a discussion of which only the name in addresses is known yet; nothing is held where there is none. */
export async function lockSharingIn(db: Db, author: PersonId, slug: string) {
  await db.raw(
    "select pg_advisory_xact_lock(hashtextextended(? || ' ' || id, 0)) from rooms where slug = ?",
    [author, slug],
  );
}
