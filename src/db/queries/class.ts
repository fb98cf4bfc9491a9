import {
  instant,
  personId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type Role,
} from '@/core/ids';
import type { Ask } from '../ask';
import { versionOf } from './pictures';
import type { Db } from '../connection';

export type ClassStudent = {
  id: PersonId;
  name: string;
  email: string | null;
  picture: string | null;
  lastSeen: Instant | null;
  /** Hours that they always have more; 0 for whoever has everybody's deadlines. */
  moreHours: number;
  reason: string;
};

/** So many students of a course by name, with when each was last seen and the hours they always have more. */
export async function studentsPage(
  db: Db,
  course: CourseId,
  { limit, offset }: { limit: number; offset: number },
): Promise<ClassStudent[]> {
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .leftJoin('accommodations as ac', (j) =>
      j.on('ac.course_id', 'e.course_id').andOn('ac.person_id', 'e.person_id'),
    )
    .where({ 'e.course_id': course, 'e.role': 'student' })
    .whereNull('p.former_since')
    .orderBy(['p.name', 'p.id'])
    .limit(limit)
    .offset(offset)
    .select('p.id', 'p.name', 'p.email', 'p.picture', 'p.last_seen', 'ac.hours', 'ac.reason');
  return rows.map((r) => ({
    id: personId(r.id),
    name: r.name,
    email: r.email,
    picture: versionOf(r.picture),
    lastSeen: r.last_seen === null ? null : instant(r.last_seen),
    moreHours: r.hours ?? 0,
    reason: r.reason ?? '',
  }));
}

/** Who is a student of a course, or was one until they left. */
export const studentsEver = (db: Db, course: CourseId): Ask<ReadonlySet<PersonId>> => ({
  query: db('enrolments').where({ course_id: course, role: 'student' }).select('person_id'),
  read: (rows) => new Set(rows.map((r) => personId(r.person_id))),
});

type Leave = { discussion_id: string; person_id: string };

/** What of a course's deadlines is other for some people, or for anybody, discussion by discussion. */
export async function leavesIn(db: Db, course: CourseId, people?: readonly PersonId[]) {
  const theirs = (table: string) => {
    const all = db(table).where({ course_id: course });
    return people ? all.whereRaw('person_id = any(?)', [[...people]]) : all;
  };
  const extended: (Leave & { response_due: string | null; replies_due: string | null })[] = await theirs(
    'extensions',
  ).select('discussion_id', 'person_id', 'response_due', 'replies_due');
  const excused: Leave[] = await theirs('excusals').select('discussion_id', 'person_id');
  return {
    extended: extended.map((r) => ({
      discussion: r.discussion_id as DiscussionId,
      person: r.person_id as PersonId,
      response: r.response_due,
      replies: r.replies_due,
    })),
    excused: excused.map((r) => ({
      discussion: r.discussion_id as DiscussionId,
      person: r.person_id as PersonId,
    })),
  };
}

/** Which of these people are students of a course. */
export async function studentsAmong(
  db: Db,
  course: CourseId,
  people: readonly string[],
): Promise<PersonId[]> {
  const found: string[] = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where({ 'e.course_id': course, 'e.role': 'student' })
    .whereNull('p.former_since')
    .whereIn('e.person_id', [...people])
    .pluck('e.person_id');
  return found.map(personId);
}

/** Gives people more hours for every deadline of a course, in the place of any they had; none takes that away. */
export async function setMoreHours(
  db: Db,
  course: CourseId,
  people: readonly PersonId[],
  { hours, reason }: { hours: number; reason: string },
) {
  if (hours === 0) {
    await db('accommodations')
      .where({ course_id: course })
      .whereIn('person_id', [...people])
      .delete();
    return;
  }
  await db('accommodations')
    .insert(people.map((person) => ({ course_id: course, person_id: person, hours, reason })))
    .onConflict(['course_id', 'person_id'])
    .merge(['hours', 'reason']);
}

/** The hours that people of a course always have more; who has none is left out. */
export async function moreHoursIn(db: Db, course: CourseId): Promise<Map<PersonId, number>> {
  const rows = await db('accommodations').where({ course_id: course }).select('person_id', 'hours');
  return new Map(rows.map((r) => [personId(r.person_id), Number(r.hours)]));
}

/** Somebody through whose eyes a job reads a course: of its staff the first, else anybody who is in it; null where nobody is. */
export async function somebodyIn(db: Db, course: CourseId): Promise<PersonId | null> {
  const row = await db('enrolments')
    .where({ course_id: course })
    .orderByRaw(`role = 'student', role = 'observer', person_id`)
    .first('person_id');
  return row ? personId(row.person_id) : null;
}

/** Everybody who teaches a course. */
export async function staffOf(db: Db, course: CourseId): Promise<PersonId[]> {
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where('e.course_id', course)
    .whereIn('e.role', ['instructor', 'assistant'])
    .whereNull('p.former_since')
    .pluck('e.person_id');
  return rows.map(personId);
}

/** What each of these people is in a course; who is not in it is left out. */
export async function rolesIn(
  db: Db,
  course: CourseId,
  people: readonly PersonId[],
): Promise<Map<PersonId, Role>> {
  const rows = await db('enrolments')
    .where({ course_id: course })
    .whereIn('person_id', [...people])
    .select('person_id', 'role');
  return new Map(rows.map((r) => [personId(r.person_id), r.role as Role]));
}

/** Everybody in a course, with what they are there. */
export async function everybodyIn(db: Db, course: CourseId): Promise<{ id: PersonId; role: Role }[]> {
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where('e.course_id', course)
    .whereNull('p.former_since')
    .whereNull('p.ended_at')
    .select('e.person_id', 'e.role');
  return rows.map((r) => ({ id: personId(r.person_id), role: r.role }));
}
