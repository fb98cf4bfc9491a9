import { courseId, personId, slugOf, type CourseId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type HostedCourse = {
  id: CourseId;
  code: string;
  slug: string;
  /** Which of the terms of a code it is; empty where there is one. */
  term: string;
  title: string;
  zone: string;
  students: number;
  staff: number;
  invited: number;
};

const open = `(select count(*) from invitations i where i.course_id = c.id and i.accepted_at is null and i.taken_back_at is null)`;
const counted = (db: Db) =>
  db('courses as c')
    .whereNull('c.owner_id')
    .select(
      'c.id',
      'c.code',
      'c.slug',
      'c.term',
      'c.title',
      'c.time_zone',
      db.raw(
        `(select count(*) from enrolments e join people p on p.id = e.person_id
          where e.course_id = c.id and e.role = 'student' and p.former_since is null) as students`,
      ),
      db.raw(
        `(select count(*) from enrolments e join people p on p.id = e.person_id
          where e.course_id = c.id and e.role in ('instructor', 'assistant') and p.former_since is null) as staff`,
      ),
      db.raw(`${open} as invited`),
    );

// eslint-disable-next-line @typescript-eslint/no-explicit-any
const toCourse = (r: any): HostedCourse => ({
  id: courseId(r.id),
  code: r.code,
  slug: slugOf(r),
  term: r.term,
  title: r.title,
  zone: r.time_zone,
  students: Number(r.students),
  staff: Number(r.staff),
  invited: Number(r.invited),
});

/** Every course that is held here, by code. */
export const hostedCourses = async (db: Db): Promise<HostedCourse[]> =>
  (await counted(db).orderBy('c.code')).map(toCourse);

export async function hostedCourse(db: Db, id: CourseId): Promise<HostedCourse | null> {
  const row = await counted(db).where('c.id', id).first();
  return row ? toCourse(row) : null;
}

export async function insertHostedCourse(
  db: Db,
  c: { id: CourseId; code: string; term: string; slug: string; title: string; timeZone: string },
): Promise<boolean> {
  const made = await db('courses')
    .insert({ id: c.id, code: c.code, term: c.term, slug: c.slug, title: c.title, time_zone: c.timeZone })
    .onConflict(db.raw('(code, term) where owner_id is null'))
    .ignore()
    .returning('id');
  return made.length > 0;
}

export type CourseCode = { course: CourseId; code: string; approval: boolean };

export async function courseCode(db: Db, course: CourseId): Promise<CourseCode | null> {
  const row = await db('course_codes').where({ course_id: course }).first('code', 'approval');
  return row ? { course, code: row.code, approval: row.approval } : null;
}

/** The course that a code opens, with how. */
export async function courseByCode(
  db: Db,
  code: string,
): Promise<(CourseCode & { name: string; title: string }) | null> {
  const row = await db('course_codes as k')
    .join('courses as c', 'c.id', 'k.course_id')
    .where('k.code', code)
    .first('k.course_id', 'k.code', 'k.approval', 'c.code as name', 'c.title');
  return row
    ? {
        course: courseId(row.course_id),
        code: row.code,
        approval: row.approval,
        name: row.name,
        title: row.title,
      }
    : null;
}

/** Gives a course a code; the one it had opens nothing any more. */
export async function setCourseCode(db: Db, c: CourseCode, now: Instant) {
  await db('course_codes')
    .insert({ course_id: c.course, code: c.code, approval: c.approval, made_at: timestamptz(now) })
    .onConflict('course_id')
    .merge(['code', 'approval', 'made_at']);
}

export const stopCourseCode = (db: Db, course: CourseId) =>
  db('course_codes').where({ course_id: course }).delete();

/** Asks to be let in, once; who was refused may ask again. */
export async function askToJoin(db: Db, course: CourseId, person: PersonId, now: Instant) {
  await db('join_requests')
    .insert({ course_id: course, person_id: person, asked_at: timestamptz(now) })
    .onConflict(['course_id', 'person_id'])
    .merge({ asked_at: timestamptz(now), decided_at: null, granted: null });
}

export async function joinRequests(
  db: Db,
  course: CourseId,
): Promise<{ person: PersonId; name: string; email: string }[]> {
  const rows = await db('join_requests as j')
    .join('people as p', 'p.id', 'j.person_id')
    .where('j.course_id', course)
    .whereNull('j.decided_at')
    .orderBy('j.asked_at')
    .limit(200)
    .select('p.id', 'p.name', 'p.email');
  return rows.map((r) => ({ person: personId(r.id), name: r.name, email: r.email }));
}

/** Courses a person has asked to be let into. */
export async function askedToJoin(db: Db, person: PersonId): Promise<{ code: string; title: string }[]> {
  return db('join_requests as j')
    .join('courses as c', 'c.id', 'j.course_id')
    .where('j.person_id', person)
    .whereNull('j.decided_at')
    .orderBy('c.code')
    .select('c.code', 'c.title');
}

export const decideJoin = (db: Db, course: CourseId, person: PersonId, granted: boolean, now: Instant) =>
  db('join_requests')
    .where({ course_id: course, person_id: person })
    .whereNull('decided_at')
    .update({ decided_at: timestamptz(now), granted });

/** Courses that somebody asks to be let into, with how many ask, by code. */
export async function coursesAskedFor(db: Db): Promise<{ id: CourseId; code: string; n: number }[]> {
  const rows = await db('join_requests as j')
    .join('courses as c', 'c.id', 'j.course_id')
    .whereNull('j.decided_at')
    .groupBy('c.id', 'c.code')
    .orderBy('c.code')
    .select('c.id', 'c.code', db.raw('count(*) as n'));
  return rows.map((r) => ({ id: courseId(r.id), code: r.code, n: Number(r.n) }));
}
