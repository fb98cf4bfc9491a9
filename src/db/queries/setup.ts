import { briefSchema, type Brief } from '@/core/brief/brief';
import { lateRuleSchema, type LateRule } from '@/core/deadlines/late';
import type { CourseId, DiscussionId, Instant, PersonId, PostId, Role } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import type { OpenSpell } from '@/core/planning/spells';
import { plainText } from '@/core/document/flatten';
import { rubricSchema, type Rubric } from '@/core/rubric/rubric';
import { viewingsSchema, type Viewing } from '@/core/viewings/viewing';
import { syllabusSchema, type Syllabus } from '@/core/syllabus/syllabus';
import { timestamptz, type Db } from '../connection';
import { docColumns, promptColumns } from './doc-columns';
import { insertSpell } from './planning';
import { promptPlain } from './material';

export type NewPerson = {
  id: PersonId;
  name: string;
  email: string;
  passwordHash: string;
  /** One of the demo's people, who can sign in only where there is one. */
  demo?: boolean;
  timeZone: string;
  demoRank: number | null;
  lastSeen: Instant | null;
};
export type NewCourse = { id: CourseId; code: string; title: string; timeZone: string };
export type NewWeek = { course: CourseId; number: number; title: string; startsOn: string; overview: string };
export type NewDiscussion = {
  course: CourseId;
  id: DiscussionId;
  slug: string;
  week: number;
  title: string;
  prompt: Doc;
  brief: Brief;
  late: LateRule;
  graceMinutes: number;
  opens: string;
  responseDue: string;
  repliesDue: string;
  rubric?: Rubric;
  viewings?: Viewing[];
};

export const anyPeople = async (db: Db) => (await db('people').first('id')) !== undefined;

export async function insertPeople(db: Db, people: NewPerson[]) {
  await db('people').insert(
    people.map((p) => ({
      id: p.id,
      name: p.name,
      email: p.email,
      password_hash: p.passwordHash,
      time_zone: p.timeZone,
      demo_rank: p.demoRank,
      demo: p.demo ?? false,
      last_seen: p.lastSeen === null ? null : timestamptz(p.lastSeen),
    })),
  );
}

export async function insertCourses(db: Db, courses: NewCourse[], weeks: NewWeek[]) {
  await db('courses').insert(
    courses.map((c) => ({ id: c.id, code: c.code, title: c.title, time_zone: c.timeZone })),
  );
  await db('weeks').insert(
    weeks.map((w) => ({
      course_id: w.course,
      number: w.number,
      title: w.title,
      starts_on: w.startsOn,
      overview: w.overview,
    })),
  );
}

export async function insertEnrolments(db: Db, rows: { course: CourseId; person: PersonId; role: Role }[]) {
  await db('enrolments').insert(
    rows.map((r) => ({ course_id: r.course, person_id: r.person, role: r.role })),
  );
}

export async function insertDiscussions(db: Db, discussions: NewDiscussion[]) {
  await db('discussions').insert(
    discussions.map((d) => ({
      course_id: d.course,
      id: d.id,
      slug: d.slug,
      week: d.week,
      title: d.title,
      ...promptColumns(d.prompt),
      prompt_plain: promptPlain(d.prompt, d.brief),
      brief: JSON.stringify(briefSchema.parse(d.brief)),
      late: JSON.stringify(lateRuleSchema.parse(d.late)),
      grace_minutes: d.graceMinutes,
      opens: d.opens,
      response_due: d.responseDue,
      replies_due: d.repliesDue,
      rubric: d.rubric ? JSON.stringify(rubricSchema.parse(d.rubric)) : null,
      viewings: JSON.stringify(viewingsSchema.parse(d.viewings ?? [])),
    })),
  );
}

export async function insertExtension(
  db: Db,
  x: {
    course: CourseId;
    discussion: DiscussionId;
    person: PersonId;
    responseDue?: string;
    repliesDue?: string;
    reason: string;
  },
) {
  await db('extensions').insert({
    course_id: x.course,
    discussion_id: x.discussion,
    person_id: x.person,
    response_due: x.responseDue ?? null,
    replies_due: x.repliesDue ?? null,
    reason: x.reason,
  });
}

export async function insertExcusal(
  db: Db,
  x: { course: CourseId; discussion: DiscussionId; person: PersonId; reason: string },
) {
  await db('excusals').insert({
    course_id: x.course,
    discussion_id: x.discussion,
    person_id: x.person,
    reason: x.reason,
  });
}

export async function takeBack(db: Db, post: PostId, how: 'withdrawn' | 'hidden', at: Instant) {
  await db('posts')
    .where({ id: post })
    .update(how === 'withdrawn' ? { withdrawn_at: timestamptz(at) } : { hidden_at: timestamptz(at) });
}

export type NewReading = {
  course: CourseId;
  id: string;
  slug: string;
  week: number;
  position: number;
  title: string;
  author: string;
  words: number;
  doc: Doc | null;
  place: string;
};

export async function insertReadings(db: Db, readings: NewReading[]) {
  await db('readings').insert(
    readings.map((r) => ({
      course_id: r.course,
      id: r.id,
      slug: r.slug,
      week: r.week,
      position: r.position,
      title: r.title,
      author: r.author,
      words: r.words,
      ...(r.doc ? docColumns(r.doc) : { doc: null, files: [] }),
      plain: r.doc ? plainText(r.doc) : '',
      place: r.place,
    })),
  );
}

export type NewFile = {
  course: CourseId;
  id: string;
  week: number;
  position: number;
  name: string;
  title: string;
  mediaType: string;
  content: Buffer;
};

export async function insertFiles(db: Db, files: NewFile[]) {
  await db('week_files').insert(
    files.map((f) => ({
      course_id: f.course,
      id: f.id,
      week: f.week,
      position: f.position,
      name: f.name,
      title: f.title,
      media_type: f.mediaType,
      content: f.content,
    })),
  );
}

export async function insertSyllabus(db: Db, course: CourseId, syllabus: Syllabus, now: Instant) {
  await db('syllabi').insert({
    course_id: course,
    syllabus: JSON.stringify(syllabusSchema.parse(syllabus)),
    changed_at: timestamptz(now),
  });
}

/** Marks everything others shared with the class before a moment as read by everybody who may read it. */
export async function markReadBefore(db: Db, before: Instant) {
  await db.raw(
    `insert into reads (course_id, discussion_id, person_id, post_id, read_at)
     select p.course_id, p.discussion_id, e.person_id, p.id, ?::timestamptz
     from posts p
     join rooms d on d.id = p.discussion_id
     join enrolments e on e.course_id = p.course_id and e.person_id <> p.author_id
     where p.shared_at < ?::timestamptz and p.private_to is null
       and p.withdrawn_at is null and p.hidden_at is null
       and (e.role <> 'student' or not coalesce((d.brief ->> 'sealed')::boolean, false) or exists (
         select 1 from posts o where o.discussion_id = d.id and o.author_id = e.person_id
           and o.kind = 'response' and o.withdrawn_at is null and o.shared_at < ?::timestamptz))
     on conflict do nothing`,
    [timestamptz(before), timestamptz(before), timestamptz(before)],
  );
}

/** Spells of writing that are known from elsewhere. */
export async function insertSpells(
  db: Db,
  rows: { person: PersonId; discussion: DiscussionId; spell: OpenSpell }[],
) {
  for (const { person, discussion, spell } of rows) await insertSpell(db, person, discussion, spell);
}
