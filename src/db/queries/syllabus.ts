import { personId, type CourseId, type Instant, type PersonId } from '@/core/ids';
import type { Syllabus } from '@/core/syllabus/syllabus';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** Says a course's syllabus and whether students sign it: another text is another version, which is signed anew. */
export async function putSyllabus(
  db: Db,
  course: CourseId,
  said: { syllabus: Syllabus; toSign: boolean },
  now: Instant,
) {
  await db.raw(
    `insert into syllabi as s (course_id, syllabus, to_sign, changed_at) values (?, ?::jsonb, ?, ?)
     on conflict (course_id) do update set syllabus = excluded.syllabus, to_sign = excluded.to_sign,
       changed_at = case when s.syllabus = excluded.syllabus then s.changed_at else excluded.changed_at end,
       version = s.version + case when s.syllabus = excluded.syllabus then 0 else 1 end`,
    [course, JSON.stringify(said.syllabus), said.toSign, timestamptz(now)],
  );
}

export type Signing = { toSign: boolean; version: number; changedAt: Instant };

/** Whether a course's syllabus is to be signed, and which version stands; null where there is none. */
export async function signingOf(db: Db, course: CourseId): Promise<Signing | null> {
  const row = await db('syllabi').where({ course_id: course }).first('to_sign', 'version', 'changed_at');
  return row ? { toSign: row.to_sign, version: row.version, changedAt: row.changed_at } : null;
}

/** Who of a course's students has signed a version, and when; the others with null. By name. */
export async function signaturesOf(
  db: Db,
  course: CourseId,
  version: number,
): Promise<{ id: PersonId; name: string; signedAt: Instant | null }[]> {
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .leftJoin('syllabus_signings as s', (j) =>
      j.on('s.course_id', 'e.course_id').andOn('s.person_id', 'e.person_id').andOnVal('s.version', version),
    )
    .where({ 'e.course_id': course, 'e.role': 'student' })
    .whereNull('p.former_since')
    .orderBy('p.name')
    .select('p.id', 'p.name', 's.signed_at');
  return rows.map((r) => ({ id: personId(r.id), name: r.name, signedAt: r.signed_at }));
}

/** When somebody signed a version; null where they have not. */
export async function signedAt(
  db: Db,
  course: CourseId,
  person: PersonId,
  version: number,
): Promise<Instant | null> {
  const row = await db('syllabus_signings')
    .where({ course_id: course, person_id: person, version })
    .first('signed_at');
  return row?.signed_at ?? null;
}

/** Notes that somebody signed a version; the first time stands. */
export const insertSignature = (db: Db, course: CourseId, person: PersonId, version: number, now: Instant) =>
  db('syllabus_signings')
    .insert({ course_id: course, person_id: person, version, signed_at: timestamptz(now) })
    .onConflict(['course_id', 'person_id', 'version'])
    .ignore();

/** The courses whose syllabus waits for a student's signature. */
export const toSignBy = (db: Db, person: PersonId): Ask<{ code: string; slug: string | null }[]> => ({
  query: db('enrolments as e')
    .join('syllabi as y', 'y.course_id', 'e.course_id')
    .join('courses as c', 'c.id', 'e.course_id')
    .leftJoin('syllabus_signings as s', (j) =>
      j.on('s.course_id', 'y.course_id').andOn('s.version', 'y.version').andOnVal('s.person_id', person),
    )
    .where({ 'e.person_id': person, 'e.role': 'student', 'y.to_sign': true })
    .whereNull('s.signed_at')
    .orderBy('c.code')
    .select('c.code', db.raw('c.slug as slug')),
  read: (rows) => rows.map((r) => ({ code: r.code, slug: r.slug })),
});
