import type { Side } from '@/core/brief/brief';
import type { SharedText } from '@/core/posts/shared-text';
import type { OwnPost } from '@/core/counting/types';
import {
  discussionId,
  instant,
  isStaff,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Ask } from '../ask';
import { type Db } from '../connection';

export type OwnPostRecord = OwnPost & { author: PersonId; discussion: DiscussionId; toName: string | null };

/** A person's own posts with what counting needs, and no texts: in all discussions, or in those named. */
export const ownPosts = (db: Db, person: PersonId, discussions?: DiscussionId[]) =>
  postsIn(db, { people: [person], discussions });

/** The same of several people, or of everybody, in one course, or in some of its discussions. */
export const postsIn = (
  db: Db,
  where: {
    people?: readonly PersonId[];
    discussions?: readonly DiscussionId[] | undefined;
    course?: CourseId;
  },
): Ask<OwnPostRecord[]> => ({
  query: db('posts as p')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .leftJoin('people as a', 'a.id', 'q.author_id')
    .leftJoin('enrolments as e', (j) =>
      j.on('e.course_id', 'q.course_id').andOn('e.person_id', 'q.author_id'),
    )
    .leftJoin('parts_played as pp', (j) =>
      j
        .on('pp.course_id', 'q.course_id')
        .andOn('pp.discussion_id', 'q.discussion_id')
        .andOn('pp.person_id', 'q.author_id'),
    )
    .modify((q) => {
      if (where.people) q.whereRaw('p.author_id = any(?)', [[...where.people]]);
      if (where.discussions) q.whereIn('p.discussion_id', [...where.discussions]);
      if (where.course) q.where('p.course_id', where.course);
    })
    .orderBy('p.id')
    .select(
      'p.id',
      'p.author_id',
      'p.discussion_id',
      'p.kind',
      'p.private_to',
      'p.withdrawn_at',
      'p.hidden_at',
      'q.author_id as to_id',
      'a.name as to_name',
      'e.role as to_role',
      'pp.side as to_side',
      db.raw(
        `(select json_agg(json_build_object('at', round(extract(epoch from v.shared_at) * 1000), 'unmet', v.unmet) order by v.n)
          from post_versions v where v.post_id = p.id) as versions`,
      ),
    ),
  read: (rows) =>
    rows.map((r) => ({
      id: postId(r.id),
      author: personId(r.author_id),
      discussion: discussionId(r.discussion_id),
      kind: r.kind,
      to:
        r.to_id === null
          ? null
          : { person: personId(r.to_id), staff: isStaff(r.to_role), side: r.to_side as Side | null },
      toName: r.to_name,
      private: r.private_to !== null,
      withdrawn: r.withdrawn_at !== null,
      hidden: r.hidden_at !== null,
      versions: r.versions,
    })),
});

/** One of a person's own posts with every text it has had, oldest first. */
export type SharedPost = { id: PostId; versions: SharedText[] };

/** A person's own posts in a discussion, with all their texts. */
export async function sharedTexts(db: Db, person: PersonId, discussion: DiscussionId): Promise<SharedPost[]> {
  const rows = await db('posts as p')
    .join('post_versions as v', 'v.post_id', 'p.id')
    .where({ 'p.author_id': person, 'p.discussion_id': discussion })
    .orderBy(['p.id', 'v.n'])
    .select('p.id', 'v.n', 'v.title', 'v.doc', 'v.own_words', 'v.checks', 'v.fingerprint', 'v.shared_at');
  const posts = new Map<PostId, SharedPost>();
  for (const r of rows) {
    const id = postId(r.id);
    const post = posts.get(id) ?? { id, versions: [] };
    posts.set(id, post);
    post.versions.push({
      id,
      n: r.n,
      title: r.title,
      doc: r.doc,
      ownWords: r.own_words,
      checks: r.checks,
      fingerprint: r.fingerprint,
      sharedAt: instant(r.shared_at),
    });
  }
  return [...posts.values()];
}
