import {
  courseId,
  slugOf,
  instant,
  personId,
  type CourseId,
  type Instant,
  type PersonId,
  type Role,
} from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import type { Syllabus } from '@/core/syllabus/syllabus';
import { ask, at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { versionOf } from './pictures';
import { docColumns } from './doc-columns';

export type CourseRecord = {
  id: CourseId;
  code: string;
  slug: string;
  /** Which of the terms of a code it is; empty where there is one. */
  term: string;
  title: string;
  zone: string;
  role: Role;
  /** Not hosted here: the person's own. */
  outside: boolean;
  /** Whether it says how to begin. */
  begins: boolean;
};

/** The courses a person is in, with their role there. */
export const enrolledIn = (db: Db, person: PersonId): Ask<CourseRecord[]> => ({
  query: db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where('e.person_id', person)
    .orderBy(['c.code', 'c.term'])
    .select(
      'c.id',
      'c.code',
      'c.slug',
      'c.term',
      'c.title',
      'c.time_zone',
      'c.owner_id',
      'e.role',
      db.raw('c.beginning is not null as begins'),
    ),
  read: (rows) =>
    rows.map((r) => ({
      id: courseId(r.id),
      code: r.code,
      slug: slugOf({ code: r.code, slug: r.slug }),
      term: r.term,
      title: r.title,
      zone: r.time_zone,
      role: r.role,
      outside: r.owner_id !== null,
      begins: r.begins,
    })),
});

/** The same where nothing else is asked with it. */
export const coursesOf = (db: Db, person: PersonId): Promise<CourseRecord[]> => ask(enrolledIn(db, person));

export type WeekRecord = { number: number; title: string; startsOn: string; overview: string };

export async function weeksOf(db: Db, course: CourseId): Promise<WeekRecord[]> {
  const rows = await db('weeks')
    .where({ course_id: course })
    .orderBy('number')
    .select('number', 'title', 'starts_on', 'overview');
  return rows.map((r) => ({
    number: r.number,
    title: r.title,
    startsOn: r.starts_on,
    overview: r.overview,
  }));
}

export type ReadingRecord = {
  id: string;
  slug: string;
  week: number;
  title: string;
  author: string;
  words: number;
  /** Where a text is found that is not in Pulpit. */
  place: string;
  here: boolean;
  readAt: Instant | null;
};

const toReading = (r: {
  id: string;
  slug: string;
  week: number;
  title: string;
  author: string;
  words: number;
  place: string;
  here: boolean;
  read_at: number | string | null;
}): ReadingRecord => ({
  id: r.id,
  slug: r.slug,
  week: r.week,
  title: r.title,
  author: r.author,
  words: r.words,
  place: r.place,
  here: r.here,
  readAt: r.read_at === null ? null : instant(at(r.read_at)),
});

const readingColumns = (db: Db) => [
  'g.id',
  'g.slug',
  'g.week',
  'g.title',
  'g.author',
  'g.words',
  'g.place',
  db.raw('g.doc is not null as here'),
  'r.read_at',
];

const readings = (db: Db, person: PersonId) =>
  db('readings as g').leftJoin('reading_progress as r', (j) =>
    j.on('r.course_id', 'g.course_id').andOn('r.reading_id', 'g.id').andOnVal('r.person_id', person),
  );

/** The readings of a course in order, and whether the person has read them. */
export const readingsOf = (db: Db, course: CourseId, person: PersonId): Ask<ReadingRecord[]> => ({
  query: readings(db, person)
    .where('g.course_id', course)
    .orderBy(['g.week', 'g.position'])
    .select(readingColumns(db)),
  read: (rows) => rows.map(toReading),
});

/** A reading of a course the person is in, with its text where Pulpit has it. */
export async function readingBySlug(db: Db, person: PersonId, slug: string) {
  const row = await readings(db, person)
    .join('enrolments as e', (j) => j.on('e.course_id', 'g.course_id').andOnVal('e.person_id', person))
    .where('g.slug', slug)
    .first('g.course_id', 'g.doc', 'r.seconds', ...readingColumns(db));
  return row
    ? {
        ...toReading(row),
        course: courseId(row.course_id),
        doc: row.doc as Doc | null,
        seconds: Number(row.seconds ?? 0),
      }
    : null;
}

/** Adds time spent on a reading and says whether it is read now. */
export async function recordReading(
  db: Db,
  key: { course: CourseId; reading: string; person: PersonId },
  seconds: number,
  readAt: Instant | null,
) {
  await db('reading_progress')
    .insert({
      course_id: key.course,
      reading_id: key.reading,
      person_id: key.person,
      seconds,
      read_at: readAt === null ? null : timestamptz(readAt),
    })
    .onConflict(['person_id', 'course_id', 'reading_id'])
    .merge({
      seconds: db.raw('reading_progress.seconds + excluded.seconds'),
      read_at: db.raw('excluded.read_at'),
    });
}

export type FileRecord = { id: string; week: number; name: string; title: string; bytes: number };

export async function filesOf(db: Db, course: CourseId): Promise<FileRecord[]> {
  return db('week_files')
    .where({ course_id: course })
    .orderBy(['week', 'position'])
    .select('id', 'week', 'name', 'title', db.raw('length(content) as bytes'));
}

export async function fileContent(db: Db, person: PersonId, id: string) {
  const row = await db('week_files as f')
    .join('enrolments as e', (j) => j.on('e.course_id', 'f.course_id').andOnVal('e.person_id', person))
    .where('f.id', id)
    .first('f.name', 'f.media_type', 'f.content');
  return row
    ? { name: row.name as string, mediaType: row.media_type as string, content: row.content as Buffer }
    : null;
}

export const syllabusOf = (db: Db, course: CourseId): Ask<Syllabus | null> => ({
  query: db('syllabi').where({ course_id: course }).select('syllabus'),
  read: ([row]) => row?.syllabus ?? null,
});

/** Everybody in a course: staff first, then students, by name. */
export async function peopleOf(db: Db, course: CourseId) {
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .leftJoin('groups as g', (j) => j.on('g.course_id', 'e.course_id').andOn('g.id', 'e.group_id'))
    .where('e.course_id', course)
    .whereNull('p.former_since')
    .orderByRaw(`e.role = 'student', p.name`)
    .select('p.id', 'p.name', 'p.said_as', 'p.email', 'p.picture', 'e.role', 'g.name as group_name');
  return rows.map((r) => ({
    id: personId(r.id),
    name: r.name as string,
    saidAs: r.said_as as string,
    email: r.email as string | null,
    picture: versionOf(r.picture as string | null),
    role: r.role as Role,
    group: r.group_name as string | null,
  }));
}

/** What somebody is in a course; null for who is not in it. */
export async function roleIn(db: Db, course: CourseId, person: PersonId): Promise<Role | null> {
  const row = await db('enrolments').where({ course_id: course, person_id: person }).first('role');
  return row?.role ?? null;
}

/** The place of the last reading of a week; 0 where there is none. */
export async function lastPosition(db: Db, course: CourseId, week: number): Promise<number> {
  const row = await db('readings').where({ course_id: course, week }).max('position as n').first();
  return Number(row?.n ?? 0);
}

export const replaceReadingText = (
  db: Db,
  place: { course: CourseId; reading: string },
  text: { doc: Doc; plain: string; words: number },
) =>
  db('readings')
    .where({ course_id: place.course, id: place.reading })
    .update({ ...docColumns(text.doc), plain: text.plain, words: text.words, place: '' });

/** The texts of a course's readings of one week that a person may read, in their order. */
export async function textsOfReadings(db: Db, person: PersonId, course: CourseId, week: number) {
  const rows: { title: string; author: string; doc: Doc | null }[] = await readings(db, person)
    .join('enrolments as e', (j) => j.on('e.course_id', 'g.course_id').andOnVal('e.person_id', person))
    .where({ 'g.course_id': course, 'g.week': week })
    .orderBy('g.position')
    .select('g.title', 'g.author', 'g.doc');
  return rows.flatMap(({ title, author, doc }) => (doc ? [{ title, author, doc }] : []));
}
