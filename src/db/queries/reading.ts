import {
  courseId,
  discussionId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { mayRead, visible } from './visible';

type Reader = { id: PersonId; staff: boolean };

/** Others' posts of a discussion that a reader may mark: all of them, or those named. */
const markable = (
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: Reader,
  only: PostId[] | 'all',
) =>
  db('posts as p')
    .where({ 'p.course_id': course, 'p.discussion_id': discussion })
    .whereNot('p.author_id', reader.id)
    .modify((q) => {
      if (only !== 'all') q.whereIn('p.id', only);
    })
    .where(mayRead(db, reader.id, reader.staff));

/** Marks posts as read; those read before keep their moment. */
export async function insertReads(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: Reader,
  only: PostId[] | 'all',
  now: Instant,
) {
  await db(db.raw('reads (course_id, discussion_id, person_id, post_id, read_at)'))
    .insert(
      markable(db, course, discussion, reader, only)
        .where(visible(db, 'p'))
        .orderBy('p.id')
        .select(
          'p.course_id',
          'p.discussion_id',
          db.raw('?::uuid', [reader.id]),
          'p.id',
          db.raw('?::timestamptz', [timestamptz(now)]),
        ),
    )
    .onConflict()
    .ignore();
}

export async function deleteReads(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: PersonId,
  only: PostId[],
) {
  await db('reads')
    .where({ course_id: course, discussion_id: discussion, person_id: reader })
    .whereIn('post_id', only)
    .delete();
}

/** Takes back what a person marked as read in a discussion at one moment. */
export async function deleteReadsOf(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
  reader: PersonId,
  at: Instant,
) {
  await db('reads')
    .where({ course_id: course, discussion_id: discussion, person_id: reader, read_at: timestamptz(at) })
    .delete();
}

/** Replies to one's own posts that are not read yet, by discussion. Costs as much as one was answered, and no more. */
export const unreadReplies = (db: Db, person: PersonId): Ask<Map<DiscussionId, number>> => ({
  query: db('posts as q')
    .join('posts as p', 'p.parent_id', 'q.id')
    .leftJoin('reads as m', (j) =>
      j
        .on('m.course_id', 'p.course_id')
        .andOn('m.discussion_id', 'p.discussion_id')
        .andOn('m.post_id', 'p.id')
        .andOnVal('m.person_id', person),
    )
    .where('q.author_id', person)
    .whereNot('p.author_id', person)
    .where(mayRead(db, person))
    .where(visible(db, 'p'))
    .whereNull('m.post_id')
    .groupBy('q.discussion_id')
    .select('q.discussion_id')
    .count('* as n'),
  read: (rows) => new Map(rows.map((r) => [discussionId(r.discussion_id), Number(r.n)])),
});

/** The readings of the weeks around a moment that stand in Pulpit, in a person's courses. */
export const readingsAround = (
  db: Db,
  person: PersonId,
  now: Instant,
): Ask<{ course: CourseId; week: number; slug: string }[]> => ({
  query: db('readings as r')
    .join('enrolments as e', (j) => j.on('e.course_id', 'r.course_id').andOnVal('e.person_id', person))
    .join('weeks as w', (j) => j.on('w.course_id', 'r.course_id').andOn('w.number', 'r.week'))
    .whereNotNull('r.doc')
    .whereRaw(`w.starts_on between ?::timestamptz - interval '21 days' and ?::timestamptz`, [
      timestamptz(now),
      timestamptz(now),
    ])
    .orderBy([{ column: 'w.starts_on', order: 'desc' }, 'r.course_id', 'r.position'])
    .limit(60)
    .select('r.course_id', 'r.week', 'r.slug'),
  read: (rows) => rows.map((r) => ({ course: courseId(r.course_id), week: r.week, slug: r.slug })),
});
