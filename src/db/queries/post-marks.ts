import {
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { MarkKind, PostMarks } from '@/core/posts/post-marks';
import { timestamptz, type Db } from '../connection';

/** The marks of a discussion's posts as one person sees them; posts without any are left out. */
export async function postMarks(
  db: Db,
  place: { course: CourseId; discussion: DiscussionId },
  person: PersonId,
): Promise<Map<PostId, PostMarks>> {
  const rows: { post_id: number; well_said: number; mine: boolean; bookmarked: boolean }[] = await db(
    'post_marks',
  )
    .where({ course_id: place.course, discussion_id: place.discussion })
    .where((q) => q.where('kind', 'well-said').orWhere('person_id', person))
    .groupBy('post_id')
    .select(
      'post_id',
      db.raw(`count(*) filter (where kind = 'well-said')::int as well_said`),
      db.raw(`coalesce(bool_or(person_id = ? and kind = 'well-said'), false) as mine`, [person]),
      db.raw(`coalesce(bool_or(person_id = ? and kind = 'bookmark'), false) as bookmarked`, [person]),
    );
  return new Map(
    rows.map((r) => [
      postId(r.post_id),
      { wellSaid: r.well_said, saidByMe: r.mine, bookmarked: r.bookmarked },
    ]),
  );
}

type Mark = {
  course: CourseId;
  discussion: DiscussionId;
  post: PostId;
  person: PersonId;
  kind: MarkKind;
};
const columns = (m: Mark) => ({
  course_id: m.course,
  discussion_id: m.discussion,
  post_id: m.post,
  person_id: m.person,
  kind: m.kind,
});

/** Marks a post; a mark that is there stays as it was. */
export const putMark = (db: Db, mark: Mark, now: Instant) =>
  db('post_marks')
    .insert({ ...columns(mark), marked_at: timestamptz(now) })
    .onConflict()
    .ignore();

export const takeMark = (db: Db, mark: Mark) => db('post_marks').where(columns(mark)).delete();
