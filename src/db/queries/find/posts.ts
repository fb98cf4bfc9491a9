import { inSight, type Readable } from './near-words';
import { HEADLINE, likeText, type Query } from './query';
import {
  instant,
  personId,
  postId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
  type Role,
} from '@/core/ids';
import { type Db } from '../../connection';
import { visible } from '../visible';

export type FoundPost = {
  id: PostId;
  kind: 'response' | 'reply';
  discussion: DiscussionId;
  author: string;
  authorId: PersonId;
  role: Role;
  title: string;
  sharedAt: Instant;
  passage: string;
};

/**
 * Posts that match, the best first. Only posts in sight of the reader in the discussions named: the caller names no
 * sealed one, so nothing of a sealed discussion is ever looked at.
 */
export async function findPosts(
  db: Db,
  reader: Readable['reader'],
  within: DiscussionId[],
  ask: { query: Query | null; from: string | null },
  limit: number,
): Promise<FoundPost[]> {
  if (within.length === 0) return [];
  const { query } = ask;
  const found = db('post_texts as x')
    .join('posts as p', 'p.id', 'x.post_id')
    .join('people as a', 'a.id', 'p.author_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOn('e.person_id', 'p.author_id'))
    .whereIn('x.discussion_id', within)
    .where(visible(db, 'p'))
    .where(inSight(db, reader))
    .modify((q) => {
      if (query) q.whereRaw(`x.found @@ ${query.sql}`, query.bindings);
      if (ask.from === 'me') q.where('p.author_id', reader.id);
      else if (ask.from !== null) q.whereRaw(`a.name ilike ?`, [`%${likeText(ask.from)}%`]);
    })
    .orderByRaw(
      query ? `ts_rank_cd(x.found, ${query.sql}) desc, p.shared_at desc` : 'p.shared_at desc',
      query ? query.bindings : [],
    )
    .limit(limit)
    .select(
      'p.id',
      'p.kind',
      'p.discussion_id',
      'p.author_id',
      'a.name',
      'e.role',
      'x.title',
      'x.plain',
      'p.shared_at',
    );
  const rows: {
    id: number;
    kind: 'response' | 'reply';
    discussion_id: DiscussionId;
    author_id: string;
    name: string;
    role: Role;
    title: string;
    shared_at: number;
    passage: string;
  }[] = await db
    .with('f', found)
    .from('f')
    .select(
      'f.*',
      query
        ? db.raw(`ts_headline('english', f.plain, ${query.sql}, ?) as passage`, [...query.bindings, HEADLINE])
        : db.raw('left(f.plain, 140) as passage'),
    );
  return rows.map((r) => ({
    id: postId(r.id),
    kind: r.kind,
    discussion: r.discussion_id,
    author: r.name,
    authorId: personId(r.author_id),
    role: r.role,
    title: r.title,
    sharedAt: instant(r.shared_at),
    passage: r.passage,
  }));
}

/** The posts of one discussion that match; who may read which of them is the caller's to say. */
export async function matchesIn(db: Db, discussion: DiscussionId, query: Query): Promise<Set<PostId>> {
  const ids: number[] = await db('post_texts')
    .where('discussion_id', discussion)
    .whereRaw(`found @@ ${query.sql}`, query.bindings)
    .pluck('post_id');
  return new Set(ids.map(postId));
}

/** A passage of each of the posts named, around what matches. */
export async function passagesOf(
  db: Db,
  posts: readonly PostId[],
  query: Query,
): Promise<Map<PostId, string>> {
  if (posts.length === 0) return new Map();
  const rows: { post_id: number; passage: string }[] = await db('post_texts')
    .whereIn('post_id', [...posts])
    .select(
      'post_id',
      db.raw(`ts_headline('english', plain, ${query.sql}, ?) as passage`, [...query.bindings, HEADLINE]),
    );
  return new Map(rows.map((r) => [postId(r.post_id), r.passage]));
}
