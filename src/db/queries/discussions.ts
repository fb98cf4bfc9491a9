import { briefSchema, type Brief, type Side } from '@/core/brief/brief';
import { briefFor, NO_PART, type PartPlayed } from '@/core/brief/part-played';
import type { LateRule } from '@/core/deadlines/late';
import type { ScheduleInput } from '@/core/deadlines/schedule';
import {
  STAFF,
  courseId,
  instant,
  slugOf,
  discussionId,
  type Instant,
  type CourseId,
  type DiscussionId,
  type PersonId,
  type Role,
} from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import type { Way } from '@/core/marks/mark';
import type { Rubric } from '@/core/rubric/rubric';
import type { Viewing } from '@/core/viewings/viewing';
import type { ReadingFigures } from '@/core/reading/unread';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { visible } from './visible';

/** A discussion as one enrolled person meets it: their role, and the extension or excusal that is theirs. */
export type DiscussionRecord = {
  /** It is where the course asks: nothing is owed in it, and it stands in no list of discussions. */
  asks: boolean;
  id: DiscussionId;
  slug: string;
  title: string;
  /** As it is for this person: whoever leads owes other things. */
  brief: Brief;
  /** As it is for the class. */
  classBrief: Brief;
  /** What was given to them here: a side to take, the lead. */
  part: PartPlayed;
  /** Their group in the course. */
  group: string | null;
  /** Its times as the course set them, and what of them was moved for this person; `resolveSchedule` makes them binding. */
  timetable: ScheduleInput;
  excused: boolean;
  role: Role;
  course: {
    id: CourseId;
    code: string;
    slug: string;
    title: string;
    /** A course that is not hosted here: its reader's own, with nobody else in it who can read. */
    outside: boolean;
  };
  week: { number: number; title: string; startsOn: string };
  /** A sealed discussion has opened to this person, who has opened a classmate's post since. */
  openedOthers: boolean;
  /** Running figures: what is unread is core's to say. */
  reading: ReadingFigures;
  /** Responses in sight of the class, one's own among them: a number the seal does not hide. */
  responses: number;
  /** How much has happened in it: the number of its last event. */
  events: number;
};

/** Posts for the class that are in sight and that this person may read. */
const inSight = (more: string) =>
  `(select count(*)::int from posts p where p.course_id = d.course_id and p.discussion_id = d.id and p.private_to is null
    and p.withdrawn_at is null and p.hidden_at is null and may_read_post(p, ?, false) ${more})`;

/** A running figure of the whole class; where each group has its own conversation it is counted for whoever asks, unless they teach. */
const ofTheirs = (db: Db, person: PersonId, name: string, running: string, counted: string) =>
  db.raw(
    `case when (d.brief ->> 'grouped')::boolean and e.role <> all(?::course_role[]) then ${counted} else ${running} end as ${name}`,
    [[...STAFF], person],
  );

const columns = (db: Db, person: PersonId) => [
  'd.id',
  'd.asks',
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
  'c.slug as course_slug',
  'c.time_zone',
  'c.owner_id',
  'w.number as week',
  'w.title as week_title',
  'w.starts_on',
  'x.response_due as x_response',
  'x.replies_due as x_replies',
  'ac.hours as more_hours',
  'pp.side',
  'pp.leads',
  'g.name as group_name',
  'ex.person_id as excused',
  'so.person_id as opened_others',
  ofTheirs(db, person, 'class_posts', 'coalesce(n.class_posts, 0)', inSight('')),
  db.raw('coalesce(n.private_posts, 0) as private_posts'),
  ofTheirs(db, person, 'responses', 'coalesce(n.responses, 0)', inSight("and p.kind = 'response'")),
  db.raw('coalesce(n.events, 0) as events'),
  ofTheirs(
    db,
    person,
    'read_class',
    'coalesce(r.class_posts, 0)',
    inSight(
      `and exists (select 1 from reads m where m.course_id = p.course_id and m.discussion_id = p.discussion_id
        and m.post_id = p.id and m.person_id = e.person_id)`,
    ),
  ),
  db.raw('coalesce(r.private_posts, 0) as read_private'),
  db('posts as p')
    .whereRaw('p.discussion_id = d.id')
    .where('p.private_to', person)
    .whereNot('p.author_id', person)
    .where(visible(db, 'p'))
    .whereNotExists((q) =>
      q
        .select(db.raw('1'))
        .from('reads as m')
        .whereRaw('m.course_id = p.course_id and m.discussion_id = p.discussion_id and m.post_id = p.id')
        .where('m.person_id', person),
    )
    .count('*')
    .as('private_unread'),
];

/**
 * The discussions of the courses a person is enrolled in, as far as they are shown to them, and no others: enrolment is the join, so it cannot be forgotten.
 * Where a course asks is among them: `asks` says so.
 */
const enrolled = (db: Db, person: PersonId) =>
  db('rooms as d')
    .join('enrolments as e', (j) => j.on('e.course_id', 'd.course_id').andOnVal('e.person_id', person))
    .join('courses as c', 'c.id', 'd.course_id')
    .leftJoin('weeks as w', (j) => j.on('w.course_id', 'd.course_id').andOn('w.number', 'd.week'))
    // What is not shown yet is there for staff alone.
    .where((q) => q.where('d.shown', true).orWhereIn('e.role', STAFF))
    .leftJoin('extensions as x', (j) =>
      j.on('x.course_id', 'd.course_id').andOn('x.discussion_id', 'd.id').andOnVal('x.person_id', person),
    )
    .leftJoin('accommodations as ac', (j) =>
      j.on('ac.course_id', 'd.course_id').andOnVal('ac.person_id', person),
    )
    .leftJoin('excusals as ex', (j) =>
      j.on('ex.course_id', 'd.course_id').andOn('ex.discussion_id', 'd.id').andOnVal('ex.person_id', person),
    )
    .leftJoin('seal_openings as so', (j) =>
      j.on('so.course_id', 'd.course_id').andOn('so.discussion_id', 'd.id').andOnVal('so.person_id', person),
    )
    .leftJoin('parts_played as pp', (j) =>
      j.on('pp.course_id', 'd.course_id').andOn('pp.discussion_id', 'd.id').andOnVal('pp.person_id', person),
    )
    .leftJoin('groups as g', (j) => j.on('g.course_id', 'e.course_id').andOn('g.id', 'e.group_id'))
    .leftJoin('discussion_counts as n', (j) =>
      j.on('n.course_id', 'd.course_id').andOn('n.discussion_id', 'd.id'),
    )
    .leftJoin('reading_counts as r', (j) =>
      j.on('r.course_id', 'd.course_id').andOn('r.discussion_id', 'd.id').andOnVal('r.person_id', person),
    );

type Row = {
  id: string;
  asks: boolean;
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
  course_slug: string | null;
  time_zone: string;
  owner_id: string | null;
  week: number | null;
  week_title: string | null;
  starts_on: string | null;
  x_response: string | null;
  x_replies: string | null;
  more_hours: number | null;
  side: Side | null;
  leads: boolean | null;
  group_name: string | null;
  excused: string | null;
  opened_others: string | null;
  class_posts: number;
  private_posts: number;
  responses: number;
  events: number;
  read_class: number;
  read_private: number;
  private_unread: number;
};

/** Nothing is asked of who asks. */
const ASKING = briefSchema.parse({ response: {}, replies: { count: 0 } });

/** A wall clock as a column or as JSON gives it, to the minute. */
const wall = (text: string) => text.slice(0, 16);

/** Briefs and late rules were checked on their way in (see setup), and are not checked again on every page. */
function toRecord(row: Row): DiscussionRecord {
  const part: PartPlayed = { side: row.side, leads: row.leads ?? false };
  const brief = row.asks ? ASKING : row.brief;
  return {
    id: discussionId(row.id),
    asks: row.asks,
    slug: row.slug,
    title: row.title,
    brief: briefFor(brief, part),
    classBrief: briefFor(brief, NO_PART),
    part,
    group: row.group_name,
    timetable: {
      zone: row.time_zone,
      late: row.late,
      graceMinutes: row.grace_minutes,
      opens: wall(row.opens),
      responseDue: wall(row.response_due),
      repliesDue: wall(row.replies_due),
      extensions: {
        response: row.x_response === null ? null : wall(row.x_response),
        replies: row.x_replies === null ? null : wall(row.x_replies),
      },
      moreHours: row.more_hours ?? 0,
    },
    excused: row.excused !== null,
    openedOthers: row.opened_others !== null,
    role: row.role,
    course: {
      id: courseId(row.course_id),
      code: row.code,
      slug: slugOf({ code: row.code, slug: row.course_slug }),
      title: row.course_title,
      outside: row.owner_id !== null,
    },
    week: { number: row.week ?? 0, title: row.week_title ?? '', startsOn: row.starts_on ?? '' },
    reading: {
      classPosts: row.class_posts,
      privatePosts: row.private_posts,
      readClass: row.read_class,
      readPrivate: row.read_private,
      privateUnread: row.private_unread,
    },
    responses: row.responses,
    events: Number(row.events),
  };
}

/**
 * Every discussion of a person's courses (or of one), or only those that matter `around` a moment: opening within a week, still
 * open under any rule, extension or grace, or closed for no more than a week; or with `asks` where the courses ask. The window is a little wider than that,
 * for it is laid over wall clocks of any zone; the use-case decides exactly.
 */
export const discussionsOf = (
  db: Db,
  person: PersonId,
  { around, course, asks = false }: { around?: Instant; course?: CourseId; asks?: boolean } = {},
): Ask<DiscussionRecord[]> => ({
  query: enrolled(db, person)
    .where('d.asks', asks)
    .modify((q) => {
      if (course) q.where('d.course_id', course);
      if (around === undefined) return;
      const at = timestamptz(around).slice(0, 19);
      q.whereRaw(`d.opens <= ?::timestamp + interval '8 days'`, [at]).whereRaw(
        `greatest(d.replies_due, x.replies_due, x.response_due)
           + (coalesce((d.late ->> 'days')::int, 0) + 9) * interval '1 day'
           + coalesce(ac.hours, 0) * interval '1 hour' >= ?::timestamp`,
        [at],
      );
    })
    .orderBy(['w.starts_on', 'c.code', 'd.slug'])
    .select(columns(db, person)),
  read: (rows: Row[]) => rows.map(toRecord),
});

/** A discussion with what stands in its prompt and beside it. */
export type DiscussionWithPrompt = DiscussionRecord & {
  prompt: Doc;
  rubric: Rubric | null;
  viewings: Viewing[];
  /** How it is marked, where its staff have said. */
  way: Way | null;
  /** When what is written of its marks is released by itself. */
  releaseAt: Instant | null;
};

/** A discussion, or where a course asks, by its name in addresses. */
export async function roomBySlug(
  db: Db,
  person: PersonId,
  slug: string,
): Promise<DiscussionWithPrompt | null> {
  const row:
    | (Row &
        Pick<DiscussionWithPrompt, 'prompt' | 'rubric' | 'viewings'> & {
          marked_by: Way | null;
          marks_at: number | null;
        })
    | undefined = await enrolled(db, person)
    .where('d.slug', slug)
    .first([...columns(db, person), 'd.prompt', 'd.rubric', 'd.viewings', 'd.marked_by', 'd.marks_at']);
  if (!row) return null;
  const { prompt, rubric, viewings, marked_by: way, marks_at: at } = row;
  return { ...toRecord(row), prompt, rubric, viewings, way, releaseAt: at === null ? null : instant(at) };
}

/** A discussion by its name in addresses. */
export async function discussionBySlug(
  db: Db,
  person: PersonId,
  slug: string,
): Promise<DiscussionWithPrompt | null> {
  const room = await roomBySlug(db, person, slug);
  return room && !room.asks ? room : null;
}

/** The prompts of discussions that a person may read, by their ids. */
export async function promptsOf(db: Db, person: PersonId, ids: readonly DiscussionId[]) {
  const rows: { id: DiscussionId; prompt: Doc }[] = await enrolled(db, person)
    .whereIn('d.id', [...ids])
    .select('d.id', 'd.prompt');
  return new Map(rows.map((row) => [row.id, row.prompt]));
}
