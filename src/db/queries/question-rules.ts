import type { CourseId, PersonId } from '@/core/ids';
import type { QuestionRules } from '@/core/questions/asking';
import type { Ask } from '../ask';
import type { Db } from '../connection';

/** How a course takes questions, with who is there to read them. */
export const askingIn = (
  db: Db,
  course: CourseId,
  person: PersonId,
): Ask<{
  coverFromStaff: boolean;
  hours: string;
  /** What the corner for anything is called; empty where the course keeps none. */
  corner: string;
  classmates: number;
  group: { name: string; others: number } | null;
  staff: string[];
}> => ({
  query: db('courses as c')
    .leftJoin('question_rules as r', 'r.course_id', 'c.id')
    .join('enrolments as me', (j) => j.on('me.course_id', 'c.id').andOnVal('me.person_id', person))
    .leftJoin('groups as g', (j) => j.on('g.course_id', 'c.id').andOn('g.id', 'me.group_id'))
    .where('c.id', course)
    .select(
      'r.cover_from_staff',
      'r.hours',
      'r.corner',
      'g.name as group_name',
      db.raw(
        `(select count(*)::int from enrolments e join people p on p.id = e.person_id and p.former_since is null
          where e.course_id = c.id and e.role in ('student', 'observer') and e.person_id <> ?) as classmates`,
        [person],
      ),
      db.raw(
        `(select count(*)::int from enrolments e join people p on p.id = e.person_id and p.former_since is null
          where e.course_id = c.id and e.role in ('student', 'observer') and e.person_id <> ?
            and (e.group_id = me.group_id or e.role = 'observer')) as in_group`,
        [person],
      ),
      db.raw(
        `(select coalesce(json_agg(p.name order by e.role, p.name), '[]') from enrolments e
          join people p on p.id = e.person_id and p.former_since is null
          where e.course_id = c.id and e.role in ('instructor', 'assistant') and e.person_id <> ?) as staff`,
        [person],
      ),
    ),
  read: ([r]) => ({
    coverFromStaff: r?.cover_from_staff ?? false,
    hours: r?.hours ?? '',
    corner: r?.corner ?? '',
    classmates: r?.classmates ?? 0,
    group: r?.group_name ? { name: r.group_name, others: r.in_group } : null,
    staff: r?.staff ?? [],
  }),
});

/** The same as its staff see and change it. */
export async function questionRules(db: Db, course: CourseId): Promise<QuestionRules> {
  const row = await db('question_rules').where({ course_id: course }).first();
  return {
    coverFromStaff: row?.cover_from_staff ?? false,
    hours: row?.hours ?? '',
    corner: row?.corner ?? '',
  };
}

export const putQuestionRules = (db: Db, course: CourseId, rules: QuestionRules) =>
  db('question_rules')
    .insert({
      course_id: course,
      cover_from_staff: rules.coverFromStaff,
      hours: rules.hours,
      corner: rules.corner,
    })
    .onConflict('course_id')
    .merge();
