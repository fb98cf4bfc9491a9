import type { Brief } from '@/core/brief/brief';
import type { LateRule } from '@/core/deadlines/late';
import type { ScheduleInput } from '@/core/deadlines/schedule';
import {
  courseId,
  discussionId,
  type Instant,
  type CourseId,
  type DiscussionId,
  type PersonId,
  type Role,
} from '@/core/ids';
import type { Doc } from '@/core/posts/document';
import { timestamptz, type Db } from '../connection';

/** A discussion as one enrolled person meets it: their role, and the extension or excusal that is theirs. */
export type DiscussionRecord = {
  id: DiscussionId;
  slug: string;
  title: string;
  brief: Brief;
  schedule: ScheduleInput;
  excused: boolean;
  role: Role;
  course: { id: CourseId; code: string; title: string };
  week: { number: number; title: string; startsOn: string };
};

const columns = [
  'd.id',
  'd.slug',
  'd.title',
  'd.brief',
  'd.late',
  'd.grace_minutes',
  'd.opens',
  'd.response_due',
  'd.replies_due',
  'e.role',
  'c.id as course_id',
  'c.code',
  'c.title as course_title',
  'c.time_zone',
  'w.number as week',
  'w.title as week_title',
  'w.starts_on',
  'x.response_due as x_response',
  'x.replies_due as x_replies',
  'ex.person_id as excused',
];

/** The discussions of the courses a person is enrolled in, and no others: enrolment is the join, so it cannot be forgotten. */
const enrolled = (db: Db, person: PersonId) =>
  db('discussions as d')
    .join('enrolments as e', (j) => j.on('e.course_id', 'd.course_id').andOnVal('e.person_id', person))
    .join('courses as c', 'c.id', 'd.course_id')
    .join('weeks as w', (j) => j.on('w.course_id', 'd.course_id').andOn('w.number', 'd.week'))
    .leftJoin('extensions as x', (j) =>
      j.on('x.course_id', 'd.course_id').andOn('x.discussion_id', 'd.id').andOnVal('x.person_id', person),
    )
    .leftJoin('excusals as ex', (j) =>
      j.on('ex.course_id', 'd.course_id').andOn('ex.discussion_id', 'd.id').andOnVal('ex.person_id', person),
    );

type Row = {
  id: string;
  slug: string;
  title: string;
  brief: Brief;
  late: LateRule;
  grace_minutes: number;
  opens: string;
  response_due: string;
  replies_due: string;
  role: Role;
  course_id: string;
  code: string;
  course_title: string;
  time_zone: string;
  week: number;
  week_title: string;
  starts_on: string;
  x_response: string | null;
  x_replies: string | null;
  excused: string | null;
};

/** Briefs and late rules were checked on their way in (see setup), and are not checked again on every page. */
function toRecord(row: Row): DiscussionRecord {
  return {
    id: discussionId(row.id),
    slug: row.slug,
    title: row.title,
    brief: row.brief,
    schedule: {
      zone: row.time_zone,
      late: row.late,
      graceMinutes: row.grace_minutes,
      opens: row.opens,
      responseDue: row.response_due,
      repliesDue: row.replies_due,
      extensions: { response: row.x_response, replies: row.x_replies },
    },
    excused: row.excused !== null,
    role: row.role,
    course: { id: courseId(row.course_id), code: row.code, title: row.course_title },
    week: { number: row.week, title: row.week_title, startsOn: row.starts_on },
  };
}

/**
 * Every discussion of a person's courses, or only those that matter `around` a moment: opening within a week, still
 * open under any rule, extension or grace, or closed for no more than a week. The window is a little wider than that,
 * for it is laid over wall clocks of any zone; the use-case decides exactly.
 */
export async function discussionsOf(db: Db, person: PersonId, around?: Instant): Promise<DiscussionRecord[]> {
  const rows: Row[] = await enrolled(db, person)
    .modify((q) => {
      if (around === undefined) return;
      const at = timestamptz(around).slice(0, 19);
      q.whereRaw(`d.opens <= ?::timestamp + interval '8 days'`, [at]).whereRaw(
        `greatest(d.replies_due, x.replies_due, x.response_due)
           + (coalesce((d.late ->> 'days')::int, 0) + 9) * interval '1 day' >= ?::timestamp`,
        [at],
      );
    })
    .orderBy(['w.starts_on', 'c.code', 'd.slug'])
    .select(columns);
  return rows.map(toRecord);
}

export async function discussionBySlug(
  db: Db,
  person: PersonId,
  slug: string,
): Promise<(DiscussionRecord & { prompt: Doc }) | null> {
  const row: (Row & { prompt: Doc }) | undefined = await enrolled(db, person)
    .where('d.slug', slug)
    .first([...columns, 'd.prompt']);
  return row ? { ...toRecord(row), prompt: row.prompt } : null;
}
