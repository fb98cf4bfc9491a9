import type { CourseId, DiscussionId, PersonId } from '@/core/ids';
import { STAFF } from '@/core/ids';
import type { Rubric } from '@/core/rubric/rubric';
import type { Db } from '../connection';

/** The discussions with a rubric in the courses a person teaches, the newest first. */
export async function keptRubrics(
  db: Db,
  person: PersonId,
  most: number,
): Promise<{ slug: string; title: string; code: string; rubric: Rubric }[]> {
  return db('discussions as d')
    .join('enrolments as e', (j) => j.on('e.course_id', 'd.course_id').andOnVal('e.person_id', person))
    .join('courses as c', 'c.id', 'd.course_id')
    .whereIn('e.role', STAFF)
    .whereNotNull('d.rubric')
    .orderBy([{ column: 'd.response_due', order: 'desc' }, 'd.slug'])
    .limit(most)
    .select('d.slug', 'd.title', 'c.code', 'd.rubric');
}

/** How many marks are written in a discussion, released or not. */
export async function marksGiven(db: Db, discussion: DiscussionId): Promise<number> {
  const row = await db('marking').where({ discussion_id: discussion }).count('* as n').first();
  return Number(row?.n ?? 0);
}

export const setRubric = (db: Db, course: CourseId, id: DiscussionId, rubric: Rubric | null) =>
  db('discussions')
    .where({ course_id: course, id })
    .update({ rubric: rubric && JSON.stringify(rubric) });
