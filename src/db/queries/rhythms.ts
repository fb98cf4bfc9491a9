import {
  courseId,
  discussionId,
  personId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
} from '@/core/ids';
import type { ClassRhythm } from '@/core/rhythm/class-rhythm';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };

/** Courses held here in which discussions have no rhythm yet, with one of the staff of each. */
export async function coursesWithoutRhythm(
  db: Db,
): Promise<{ course: CourseId; staff: { id: PersonId; name: string; timeZone: string } }[]> {
  const rows = await db('discussions as d')
    .join('courses as c', 'c.id', 'd.course_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'c.id').andOnVal('e.role', 'instructor'))
    .join('people as p', 'p.id', 'e.person_id')
    .whereNull('c.owner_id')
    .where('d.shown', true)
    .whereNotExists(
      db('rhythms as r').whereRaw('r.course_id = d.course_id and r.discussion_id = d.id').select(db.raw('1')),
    )
    .distinctOn('c.id')
    .orderBy(['c.id', 'p.id'])
    .select('c.id', 'p.id as staff', 'p.name', 'p.time_zone');
  return rows.map((r) => ({
    course: courseId(r.id),
    staff: { id: personId(r.staff), name: r.name, timeZone: r.time_zone },
  }));
}

/** Of these discussions, those that have a rhythm, drawn or not. */
export const withRhythm = async (db: Db, course: CourseId): Promise<Set<DiscussionId>> =>
  new Set((await db('rhythms').where({ course_id: course }).pluck('discussion_id')).map(discussionId));

/** Keeps the rhythm of a discussion, once: what is kept stays. */
export const putRhythm = (db: Db, place: Place, rhythm: ClassRhythm | null, at: Instant) =>
  db('rhythms')
    .insert({
      course_id: place.course,
      discussion_id: place.discussion,
      rhythm: rhythm && JSON.stringify(rhythm),
      made_at: timestamptz(at),
    })
    .onConflict()
    .ignore();

/** The rhythms that may be drawn of the courses a person is in. */
export const rhythmsFor = (db: Db, person: PersonId): Ask<{ course: CourseId; rhythm: ClassRhythm }[]> => ({
  query: db('rhythms as r')
    .join('enrolments as e', (j) => j.on('e.course_id', 'r.course_id').andOnVal('e.person_id', person))
    .whereNotNull('r.rhythm')
    .orderBy('r.discussion_id')
    .select('r.course_id', 'r.rhythm'),
  read: (rows) => rows.map((r) => ({ course: courseId(r.course_id), rhythm: r.rhythm })),
});
