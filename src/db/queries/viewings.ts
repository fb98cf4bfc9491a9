import type { CourseId, DiscussionId, Instant, PersonId } from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** The viewings of a discussion that a person has ticked off. */
export const viewingsDone = (db: Db, person: PersonId, discussion: DiscussionId): Ask<string[]> => ({
  query: db('viewings_done').where({ person_id: person, discussion_id: discussion }).select('viewing'),
  read: (rows) => rows.map((r) => r.viewing),
});

export async function setViewing(
  db: Db,
  key: { course: CourseId; discussion: DiscussionId; person: PersonId; viewing: string },
  done: Instant | null,
) {
  const where = {
    course_id: key.course,
    discussion_id: key.discussion,
    person_id: key.person,
    viewing: key.viewing,
  };
  if (done === null) await db('viewings_done').where(where).delete();
  else
    await db('viewings_done')
      .insert({ ...where, done_at: timestamptz(done) })
      .onConflict()
      .ignore();
}
