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
import { at, type Ask } from '../ask';
import { type Db } from '../connection';

export type OwnPostRecord = OwnPost & {
  author: PersonId;
  discussion: DiscussionId;
  /** The response that its thread began with. */
  thread: PostId;
  toName: string | null;
};

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
    .join('post_versions as v', 'v.post_id', 'p.id')
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
    .orderBy(['p.id', 'v.n'])
    .select(
      'p.id',
      'p.author_id',
      'p.discussion_id',
      'p.kind',
      'p.thread_id',
      db.raw('p.private_to is not null as private'),
      db.raw('p.withdrawn_at is not null as withdrawn'),
      db.raw('p.hidden_at is not null as hidden'),
      'q.author_id as to_id',
      'a.name as to_name',
      'e.role as to_role',
      'pp.side as to_side',
      'v.shared_at',
      'v.unmet',
    ),
  // A row for each version: made into lists by the database, it took most of the time of a class of hundreds.
  read: (rows) => {
    const posts: OwnPostRecord[] = [];
    for (const r of rows) {
      const version = { at: instant(at(r.shared_at)), unmet: r.unmet };
      const before = posts.at(-1);
      if (before && before.id === r.id) before.versions.push(version);
      else
        posts.push({
          id: postId(r.id),
          author: personId(r.author_id),
          discussion: discussionId(r.discussion_id),
          kind: r.kind,
          thread: postId(r.thread_id),
          to:
            r.to_id === null
              ? null
              : { person: personId(r.to_id), staff: isStaff(r.to_role), side: r.to_side as Side | null },
          toName: r.to_name,
          private: r.private,
          withdrawn: r.withdrawn,
          hidden: r.hidden,
          versions: [version],
        });
    }
    return posts;
  },
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
