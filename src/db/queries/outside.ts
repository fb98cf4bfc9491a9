import { plainText } from '@/core/document/flatten';
import { briefSchema } from '@/core/brief/brief';
import { lateRuleSchema } from '@/core/deadlines/late';
import {
  courseId,
  discussionId,
  instant,
  personId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Found } from '@/core/elsewhere/blocks';
import type { StandingRow, TermSaid } from '@/core/elsewhere/term';
import type { OutsideRules } from '@/core/outside/fields';
import type { Doc } from '@/core/document/nodes';
import { viewingsIn } from '@/core/viewings/viewing';
import { timestamptz, type Db } from '../connection';
import { promptColumns } from './doc-columns';
import { promptPlain } from './material';

/** A time that a calendar file names, which may be one of the deadlines. */
export type CalendarDate = { title: string; wall: string; about?: string };

export type IntakeRecord = {
  id: string;
  doc: Doc;
  source: string;
  whole: string;
  dates: CalendarDate[];
  troubles: unknown[];
  takenAt: Instant;
  /** What was found on the page beside its prompt; null where it was a prompt alone. */
  found: Found | null;
  /** The term's discussions that it names, as they were looked through so far; null where it names none. */
  term: TermSaid | null;
  /** The calendar it was made from. */
  calendar: string | null;
  /** The discussion of which it is a newer copy. */
  into: { id: DiscussionId; slug: string } | null;
};

/** What of a prompt is shown where it waits. */
const OPENING_LETTERS = 90;

/** How a text begins, to the last whole word that fits. */
const openingOf = (text: string) =>
  text.length <= OPENING_LETTERS ? text : `${text.slice(0, OPENING_LETTERS).replace(/\s+\S*$/u, '')}…`;

/** Lays a prompt down that was brought in: for the person's own course, or for one that they teach. */
export async function insertIntake(
  db: Db,
  person: PersonId,
  intake: Omit<IntakeRecord, 'into'>,
  course: CourseId | null,
  into: { course: CourseId; id: DiscussionId } | null = null,
) {
  await db('intakes').insert({
    id: intake.id,
    person_id: person,
    course_id: course,
    doc: JSON.stringify(intake.doc),
    opening: openingOf(plainText(intake.doc)),
    source: intake.source,
    whole: intake.whole,
    dates: JSON.stringify(intake.dates),
    troubles: JSON.stringify(intake.troubles),
    taken_at: timestamptz(intake.takenAt),
    found: intake.found === null ? null : JSON.stringify(intake.found),
    term: intake.term === null ? null : JSON.stringify(intake.term),
    calendar_id: intake.calendar,
    into_course: into?.course ?? null,
    into_discussion: into?.id ?? null,
  });
}

// What a query selects only the query knows.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
const toIntake = (row: any): IntakeRecord | null =>
  row
    ? {
        id: row.id,
        doc: row.doc,
        source: row.source,
        whole: row.whole,
        dates: row.dates,
        troubles: row.troubles,
        takenAt: instant(row.taken_at),
        found: row.found,
        term: row.term,
        calendar: row.calendar_id,
        into: row.into_slug ? { id: discussionId(row.into_discussion), slug: row.into_slug } : null,
      }
    : null;

/** A prompt that a person brought in for a course of their own. */
export const intakeOf = async (db: Db, person: PersonId, id: string): Promise<IntakeRecord | null> =>
  toIntake(
    await db('intakes as i')
      .leftJoin('discussions as d', 'd.id', 'i.into_discussion')
      .where({ 'i.id': id, 'i.person_id': person, 'i.course_id': null })
      .first('i.*', 'd.slug as into_slug'),
  );

/** A prompt that was brought in for a course, by whoever of its staff. */
export const intakeFor = async (db: Db, course: CourseId, id: string): Promise<IntakeRecord | null> =>
  toIntake(await db('intakes').where({ id, course_id: course }).first());

/** Says anew what was found on a page, and what of it is the prompt. */
export const updateFound = (db: Db, person: PersonId, id: string, found: Found, prompt: Doc) =>
  db('intakes')
    .where({ id, person_id: person })
    .update({
      found: JSON.stringify(found),
      doc: JSON.stringify(prompt),
      opening: openingOf(plainText(prompt)),
    });

/** The posts of a page were put in; its prompt waits on. */
export const dropFound = (db: Db, person: PersonId, id: string) =>
  db('intakes').where({ id, person_id: person }).update({ found: null });

/** Keeps what somebody says of a term's rows. */
export const updateTerm = (db: Db, person: PersonId, id: string, term: TermSaid) =>
  db('intakes')
    .where({ id, person_id: person })
    .update({ term: JSON.stringify(term) });

/** The discussions of a student's own courses, as what a plan names is held against them. */
export async function standingRows(db: Db, owner: PersonId): Promise<(StandingRow & { course: string })[]> {
  const rows = await db('discussions as d')
    .join('courses as c', 'c.id', 'd.course_id')
    .where('c.owner_id', owner)
    .orderBy(['d.response_due', 'd.slug'])
    .select('d.slug', 'd.title', 'd.week', 'd.response_due', 'd.replies_due', 'c.code');
  return rows.map((r) => ({
    slug: r.slug as string,
    title: r.title as string,
    week: r.week as number,
    responseDue: (r.response_due as string).slice(0, 16),
    repliesDue: (r.replies_due as string).slice(0, 16),
    course: r.code as string,
  }));
}

/** Puts the text of a prompt that was awaited in the place of what stood there. */
export async function replacePrompt(
  db: Db,
  place: { course: CourseId; id: DiscussionId },
  prompt: Doc,
  source: { name: string; whole: string },
) {
  await db('discussions')
    .where({ id: place.id })
    .update({ ...promptColumns(prompt), viewings: JSON.stringify(viewingsIn(prompt)) });
  await db('prompt_sources')
    .where({ course_id: place.course, discussion_id: place.id })
    .update({ name: source.name, whole: source.whole });
}

/** The posts of an outside discussion, as a newer copy of its page is held against them. */
export async function outsidePosts(db: Db, discussion: DiscussionId) {
  const rows = await db('posts as p')
    .join('post_versions as v', 'v.post_id', 'p.id')
    .join('people as a', 'a.id', 'p.author_id')
    .where('p.discussion_id', discussion)
    .whereNull('p.withdrawn_at')
    .whereRaw('v.n = (select max(n) from post_versions l where l.post_id = p.id)')
    .orderBy('p.id')
    .select(
      'p.id',
      'p.author_id',
      'a.name',
      'p.kind',
      'p.parent_id',
      'p.shared_at',
      'v.plain',
      'v.n',
      'v.title',
    );
  return rows.map((r) => ({
    id: Number(r.id) as PostId,
    author: personId(r.author_id),
    name: r.name as string,
    kind: r.kind as 'response' | 'reply',
    parent: r.parent_id === null ? null : (Number(r.parent_id) as PostId),
    sharedAt: instant(r.shared_at),
    plain: r.plain as string,
    n: r.n as number,
    title: r.title as string,
  }));
}

/** Prompts that were brought in and wait to be confirmed, the newest first: for courses of one's own. */
export const waitingIntakes = (db: Db, person: PersonId) =>
  waitingWhere(db, { person_id: person, course_id: null, into_discussion: null });

/** The same for a course. */
export const intakesFor = (db: Db, course: CourseId) => waitingWhere(db, { course_id: course });

async function waitingWhere(db: Db, where: Record<string, string | null>) {
  const rows = await db('intakes')
    .where(where)
    .orderBy('taken_at', 'desc')
    .limit(20)
    .select(
      'id',
      'source',
      'taken_at',
      'opening',
      db.raw('found is not null as has_posts'),
      db.raw('term is not null as has_term'),
    );
  return rows.map((r) => ({
    id: r.id as string,
    source: r.source as string,
    takenAt: instant(r.taken_at),
    opening: r.opening as string,
    /** Posts were found beside the prompt, and are looked through first. */
    hasPosts: r.has_posts as boolean,
    /** It is a plan of a term. */
    hasTerm: r.has_term as boolean,
  }));
}

export const deleteIntake = (db: Db, person: PersonId, id: string) =>
  db('intakes').where({ id, person_id: person }).delete();

export const deleteIntakeFor = (db: Db, course: CourseId, id: string) =>
  db('intakes').where({ id, course_id: course }).delete();

/** A student's course of that code that is not hosted here. */
export async function outsideCourse(db: Db, owner: PersonId, code: string): Promise<CourseId | null> {
  const row = await db('courses').where({ owner_id: owner, code }).first('id');
  return row ? courseId(row.id) : null;
}

export async function insertOutsideCourse(
  db: Db,
  course: { id: CourseId; owner: PersonId; code: string; title: string; zone: string },
) {
  await db('courses').insert({
    id: course.id,
    owner_id: course.owner,
    code: course.code,
    title: course.title,
    time_zone: course.zone,
  });
  await db('enrolments').insert({ course_id: course.id, person_id: course.owner, role: 'student' });
}

export const renameOutsideCourse = (db: Db, id: CourseId, course: { title: string; zone: string }) =>
  db('courses').where({ id }).update({ title: course.title, time_zone: course.zone });

/** The week of a course, which is there afterwards; one that is there keeps the earlier of its beginnings. */
export async function putWeek(db: Db, course: CourseId, week: { number: number; startsOn: string }) {
  await db('weeks')
    .insert({
      course_id: course,
      number: week.number,
      title: `Week ${week.number}`,
      starts_on: week.startsOn,
    })
    .onConflict(['course_id', 'number'])
    .merge({ starts_on: db.raw('least(weeks.starts_on, excluded.starts_on)') });
}

const ruleColumns = (rules: OutsideRules, opens: string) => ({
  title: rules.title,
  brief: JSON.stringify(briefSchema.parse(rules.brief)),
  late: JSON.stringify(lateRuleSchema.parse(rules.late)),
  opens,
  response_due: rules.responseDue,
  replies_due: rules.repliesDue,
});

/** Makes a discussion of a prompt and its rules; the class sees it unless it is not to be `shown` yet. */
export async function insertDiscussion(
  db: Db,
  place: { course: CourseId; id: DiscussionId; slug: string; week: number; opens: string; shown?: boolean },
  prompt: Doc,
  rules: OutsideRules,
  source: { name: string; whole: string },
) {
  await db('discussions').insert({
    course_id: place.course,
    id: place.id,
    slug: place.slug,
    week: place.week,
    shown: place.shown ?? true,
    ...promptColumns(prompt),
    prompt_plain: promptPlain(prompt, rules.brief),
    viewings: JSON.stringify(viewingsIn(prompt)),
    ...ruleColumns(rules, place.opens),
  });
  await db('prompt_sources').insert({
    course_id: place.course,
    discussion_id: place.id,
    name: source.name,
    whole: source.whole,
  });
}

/** Says a discussion's rules anew. */
export async function updateDiscussion(
  db: Db,
  place: { id: DiscussionId; week: number; opens: string },
  prompt: Doc,
  rules: OutsideRules,
) {
  await db('discussions')
    .where({ id: place.id })
    .update({
      week: place.week,
      prompt_plain: promptPlain(prompt, rules.brief),
      ...ruleColumns(rules, place.opens),
    });
}

export async function sourceOf(
  db: Db,
  discussion: DiscussionId,
): Promise<{ name: string; whole: string } | null> {
  return (await db('prompt_sources').where({ discussion_id: discussion }).first('name', 'whole')) ?? null;
}

/** Removes an outside discussion with all that was written in it, and its course when it was the last one there. */
export async function deleteOutsideDiscussion(db: Db, course: CourseId, discussion: DiscussionId) {
  await db('discussions').where({ course_id: course, id: discussion }).delete();
  if (await db('discussions').where({ course_id: course }).first('id')) return;
  const told = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where('e.course_id', course)
    .whereNotNull('p.told_by')
    .pluck('p.id');
  await db('weeks').where({ course_id: course }).delete();
  await db('courses').where({ id: course }).delete();
  await db('people').whereIn('id', told).delete();
}

/** Somebody in an outside course, by name; who they are to the class may have been corrected since. */
export async function toldPerson(
  db: Db,
  course: CourseId,
  owner: { id: PersonId; zone: string },
  person: { id: PersonId; name: string; staff: boolean },
): Promise<PersonId> {
  const role = person.staff ? 'instructor' : 'student';
  const known = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where('e.course_id', course)
    .where('p.told_by', owner.id)
    .whereRaw('lower(p.name) = lower(?)', [person.name])
    .first('p.id');
  if (known) {
    await db('enrolments').where({ course_id: course, person_id: known.id }).update({ role });
    return personId(known.id);
  }
  await db('people').insert({ id: person.id, name: person.name, time_zone: owner.zone, told_by: owner.id });
  await db('enrolments').insert({ course_id: course, person_id: person.id, role });
  return person.id;
}

/** Marks one post as read by whoever pasted it in. */
export async function markPasted(
  db: Db,
  key: { course: CourseId; discussion: DiscussionId; person: PersonId; post: PostId },
  at: Instant,
) {
  await db('reads').insert({
    course_id: key.course,
    discussion_id: key.discussion,
    person_id: key.person,
    post_id: key.post,
    read_at: timestamptz(at),
  });
}

/** A post of an outside discussion with what hangs on it. */
export async function outsidePost(db: Db, discussion: DiscussionId, post: PostId) {
  const row = await db('posts as p')
    .join('post_versions as v', (j) => j.on('v.post_id', 'p.id').andOnVal('v.n', 1))
    .where({ 'p.discussion_id': discussion, 'p.id': post })
    .first(
      'p.author_id',
      'p.kind',
      'p.parent_id',
      'v.title',
      'v.doc',
      db.raw('exists (select 1 from posts c where c.parent_id = p.id) as answered'),
      db.raw('exists (select 1 from drafts d where d.parent_id = p.id and not d.blank) as begun'),
    );
  return row
    ? {
        author: personId(row.author_id),
        kind: row.kind as 'response' | 'reply',
        parent: row.parent_id === null ? null : (Number(row.parent_id) as PostId),
        title: row.title as string,
        doc: row.doc as Doc,
        answered: row.answered as boolean,
        begun: row.begun as boolean,
      }
    : null;
}

/** Takes a post out of sight. */
export const withdrawPost = (db: Db, post: PostId, at: Instant) =>
  db('posts')
    .where({ id: post })
    .update({ withdrawn_at: timestamptz(at) });

/** Deletes a post that nothing answers: it goes out of sight first, so that the running figures follow. */
export async function deletePost(db: Db, post: PostId, at: Instant) {
  await withdrawPost(db, post, at);
  await db('drafts').where({ parent_id: post }).delete();
  await db('posts').where({ id: post }).delete();
}
