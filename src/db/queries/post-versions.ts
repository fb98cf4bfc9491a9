import {
  instant,
  personId,
  postId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { PostKind } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import type { Db } from '../connection';

export type PostToChange = {
  id: PostId;
  author: PersonId;
  kind: PostKind;
  parent: PostId | null;
  gone: boolean;
  /** Somebody's answer to it is in sight. */
  answered: boolean;
  latest: { n: number; title: string; doc: Doc };
};

/** Whether an answer stands under a post: one that was withdrawn or hidden answers no more. */
export const isAnswered = async (db: Db, id: PostId): Promise<boolean> =>
  (await db('posts')
    .where({ parent_id: id })
    .whereNull('withdrawn_at')
    .whereNull('hidden_at')
    .first('id')) !== undefined;

/** One post of a discussion as its author would change it; the row is held until the transaction ends. */
export async function postToChange(
  db: Db,
  discussion: DiscussionId,
  id: PostId,
): Promise<PostToChange | null> {
  const row = await db('posts').where({ id, discussion_id: discussion }).forUpdate().first();
  if (!row) return null;
  const latest = await db('post_versions')
    .where({ post_id: id })
    .orderBy('n', 'desc')
    .first('n', 'title', 'doc');
  return {
    id: postId(row.id),
    author: personId(row.author_id),
    kind: row.kind,
    parent: row.parent_id === null ? null : postId(row.parent_id),
    gone: row.withdrawn_at !== null || row.hidden_at !== null,
    answered: await isAnswered(db, id),
    latest,
  };
}

export type PostVersion = {
  n: number;
  at: Instant;
  title: string;
  doc: Doc;
  ownWords: number;
  fingerprint: string;
};

/** One text a post has had, and when the one after it was shared; null where there is no such version. */
export async function versionOfPost(
  db: Db,
  id: PostId,
  n: number,
): Promise<{ title: string; doc: Doc; changedAt: Instant | null } | null> {
  const rows = await db('post_versions')
    .where({ post_id: id })
    .whereIn('n', [n, n + 1])
    .orderBy('n')
    .select('n', 'title', 'doc', 'shared_at');
  const [found, next] = rows;
  return found?.n === n
    ? { title: found.title, doc: found.doc, changedAt: next ? instant(next.shared_at) : null }
    : null;
}

/** Every text a post has had, oldest first. */
export async function versionsOfPost(db: Db, id: PostId): Promise<PostVersion[]> {
  const rows = await db('post_versions')
    .where({ post_id: id })
    .orderBy('n')
    .select('n', 'shared_at', 'title', 'doc', 'own_words', 'fingerprint');
  return rows.map((r) => ({
    n: r.n,
    at: instant(r.shared_at),
    title: r.title,
    doc: r.doc,
    ownWords: r.own_words,
    fingerprint: r.fingerprint,
  }));
}
