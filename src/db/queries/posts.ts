import type { PostKind } from '@/core/counting/types';
import {
  instant,
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
import { type Db } from '../connection';

export type PostRecord = {
  id: PostId;
  author: { id: PersonId; name: string; role: Role };
  kind: PostKind;
  parent: PostId | null;
  privateTo: { id: PersonId; name: string } | null;
  sharedAt: Instant;
  /** Which of its versions is read now; the first is 1. */
  n: number;
  edited: boolean;
  title: string;
  doc: Doc;
  plain: string;
  ownWords: number;
  withdrawn: boolean;
  hidden: boolean;
};

/**
 * The posts of a discussion one reader may see, each with its latest version. A private reply goes to its author, the
 * one it is for, and staff; who may read the discussion at all is the use-case's question.
 */
export async function postsForReader(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: { id: PersonId; staff: boolean },
  only?: readonly PostId[],
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
      if (only) q.whereIn('p.id', [...only]);
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
    n: r.n,
    edited: r.n > 1,
    title: r.title,
    doc: r.doc,
    plain: r.plain,
    ownWords: r.own_words,
    withdrawn: r.withdrawn_at !== null,
    hidden: r.hidden_at !== null,
  }));
}
