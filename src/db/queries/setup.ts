import { briefSchema, type Brief } from '@/core/brief/brief';
import { lateRuleSchema, type LateRule } from '@/core/deadlines/late';
import type { CourseId, DiscussionId, Instant, PersonId, PostId, Role } from '@/core/ids';
import type { Doc } from '@/core/posts/document';
import { timestamptz, type Db } from '../connection';

export type NewPerson = {
  id: PersonId;
  name: string;
  email: string;
  passwordHash: string;
  timeZone: string;
  demoRank: number | null;
  lastSeen: Instant | null;
};
export type NewCourse = { id: CourseId; code: string; title: string; timeZone: string };
export type NewWeek = { course: CourseId; number: number; title: string; startsOn: string };
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
      last_seen: p.lastSeen === null ? null : timestamptz(p.lastSeen),
    })),
  );
}

export async function insertCourses(db: Db, courses: NewCourse[], weeks: NewWeek[]) {
  await db('courses').insert(
    courses.map((c) => ({ id: c.id, code: c.code, title: c.title, time_zone: c.timeZone })),
  );
  await db('weeks').insert(
    weeks.map((w) => ({ course_id: w.course, number: w.number, title: w.title, starts_on: w.startsOn })),
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
      prompt: JSON.stringify(d.prompt),
      brief: JSON.stringify(briefSchema.parse(d.brief)),
      late: JSON.stringify(lateRuleSchema.parse(d.late)),
      grace_minutes: d.graceMinutes,
      opens: d.opens,
      response_due: d.responseDue,
      replies_due: d.repliesDue,
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

export async function insertAnnouncement(
  db: Db,
  a: { course: CourseId; id: string; author: PersonId; title: string; body: string; postedAt: Instant },
) {
  await db('announcements').insert({
    course_id: a.course,
    id: a.id,
    author_id: a.author,
    title: a.title,
    body: a.body,
    posted_at: timestamptz(a.postedAt),
  });
}

export async function takeBack(db: Db, post: PostId, how: 'withdrawn' | 'hidden', at: Instant) {
  await db('posts')
    .where({ id: post })
    .update(how === 'withdrawn' ? { withdrawn_at: timestamptz(at) } : { hidden_at: timestamptz(at) });
}
