import { courseId, discussionId, type CourseId, type DiscussionId, type PersonId } from '@/core/ids';
import type { Way } from '@/core/marks/mark';
import type { Levels, Rubric } from '@/core/rubric/rubric';
import type { Syllabus } from '@/core/syllabus/syllabus';
import type { Ask } from '../ask';
import type { Db } from '../connection';

/** What a discussion is marked by, beside the points of its brief. */
export type MarkedBy = { rubric: Rubric | null; way: Way | null };

/** What each discussion of the courses a person is in is marked by. */
export const schemesFor = (db: Db, person: PersonId): Ask<Map<DiscussionId, MarkedBy>> => ({
  query: db('discussions as d')
    .join('enrolments as e', (j) => j.on('e.course_id', 'd.course_id').andOnVal('e.person_id', person))
    .where('d.shown', true)
    .where((q) => q.whereNotNull('d.rubric').orWhereNotNull('d.marked_by'))
    .select('d.id', 'd.rubric', 'd.marked_by'),
  read: (rows) =>
    new Map(rows.map((r) => [discussionId(r.id), { rubric: r.rubric, way: r.marked_by }] as const)),
});

/** What a person thought of their own texts before sharing, by discussion. */
export const estimatesOf = (db: Db, person: PersonId): Ask<Map<DiscussionId, Levels>> => ({
  query: db('self_estimates').where({ person_id: person }).select('discussion_id', 'levels'),
  read: (rows) => new Map(rows.map((r) => [discussionId(r.discussion_id), r.levels as Levels] as const)),
});

/** The syllabi of the courses a person is in. */
export const syllabiFor = (db: Db, person: PersonId): Ask<Map<CourseId, Syllabus>> => ({
  query: db('syllabi as s')
    .join('enrolments as e', (j) => j.on('e.course_id', 's.course_id').andOnVal('e.person_id', person))
    .select('s.course_id', 's.syllabus'),
  read: (rows) => new Map(rows.map((r) => [courseId(r.course_id), r.syllabus as Syllabus] as const)),
});
