import type { CourseId, DiscussionId, Instant, PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId; person: PersonId };

const row = ({ course, discussion, person }: Place) => ({
  course_id: course,
  discussion_id: discussion,
  person_id: person,
});

/** Notes that a person is given a classmate's post of a sealed discussion; the first time stands. */
export async function noteSealOpening(db: Db, place: Place, now: Instant) {
  await db('seal_openings')
    .insert({ ...row(place), opened_at: timestamptz(now) })
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .ignore();
}

export const hasOpenedSeal = async (db: Db, place: Place): Promise<boolean> =>
  (await db('seal_openings').where(row(place)).first('person_id')) !== undefined;
