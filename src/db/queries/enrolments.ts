import { courseId, type CourseId, type PersonId, type Role } from '@/core/ids';
import type { Db } from '../connection';

export type EnrolmentRecord = {
  id: CourseId;
  code: string;
  title: string;
  role: Role;
  posts: number;
  leavers: 'stay' | 'withdraw';
};

/** The courses held here that a person is in, with how much they have shared in each. */
export async function enrolmentsOf(db: Db, person: PersonId): Promise<EnrolmentRecord[]> {
  const rows = await db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where('e.person_id', person)
    .whereNull('c.owner_id')
    .orderBy('c.code')
    .select(
      'c.id',
      'c.code',
      'c.title',
      'e.role',
      'c.leavers',
      db.raw(
        `(select count(*) from posts p where p.course_id = c.id and p.author_id = e.person_id) as posts`,
      ),
    );
  return rows.map((r) => ({
    id: courseId(r.id),
    code: r.code,
    title: r.title,
    role: r.role,
    posts: Number(r.posts),
    leavers: r.leavers,
  }));
}

/** Takes somebody out of a course who has shared nothing there. */
export async function leaveCourse(db: Db, course: CourseId, person: PersonId): Promise<boolean> {
  const gone = await db('enrolments')
    .where({ course_id: course, person_id: person })
    .whereNotExists(db('posts').select(db.raw('1')).where({ course_id: course, author_id: person }))
    .delete();
  return gone > 0;
}
