import type { Doc } from '@/core/document/nodes';
import { STAFF, courseId, instant, personId, type CourseId, type Instant, type PersonId } from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { docColumns } from './doc-columns';

export type AnnouncementRecord = {
  id: string;
  course: { id: CourseId; code: string };
  author: string;
  title: string;
  /** Its plain words, for whoever reads only those. */
  body: string;
  /** The whole of it; null where it was written as plain text. */
  doc: Doc | null;
  postedAt: Instant;
  readAt: Instant | null;
  /** For how many people it is alone; null for the whole course. */
  chosen: number | null;
};

/**
 * The announcements that reach a person: of their courses, for everybody or for them, once their time has come. Staff see those for
 * others too, and where it is asked for those that wait. The one place that says so.
 */
const reaching = (db: Db, person: PersonId, now: Instant, { waiting = false } = {}) =>
  db('announcements as a')
    .join('enrolments as e', (j) => j.on('e.course_id', 'a.course_id').andOnVal('e.person_id', person))
    .where((q) => {
      q.where('a.posted_at', '<=', timestamptz(now));
      if (waiting) q.orWhereIn('e.role', STAFF);
    })
    .where((q) =>
      q
        .where('a.chosen', false)
        .orWhereIn('e.role', STAFF)
        .orWhereExists((some) =>
          some
            .select(db.raw('1'))
            .from('announcement_people as n')
            .whereRaw('n.course_id = a.course_id and n.announcement_id = a.id')
            .where('n.person_id', person),
        ),
    );

/** The announcements of a person's courses (or of one), the latest first or the unread before them, and whether they have read them. */
export const announcementsFor = (
  db: Db,
  person: PersonId,
  now: Instant,
  limit: number,
  { course, unreadFirst = false }: { course?: CourseId; unreadFirst?: boolean } = {},
): Ask<AnnouncementRecord[]> => ({
  query: reaching(db, person, now, { waiting: course !== undefined })
    .join('courses as c', 'c.id', 'a.course_id')
    .join('people as p', 'p.id', 'a.author_id')
    .leftJoin('announcement_reads as r', (j) =>
      j.on('r.course_id', 'a.course_id').andOn('r.announcement_id', 'a.id').andOnVal('r.person_id', person),
    )
    .modify((q) => {
      if (course) q.where('a.course_id', course);
    })
    .modify((q) => {
      // One that was read never stands before one that was not.
      if (unreadFirst) q.orderByRaw('(r.read_at is null and a.author_id <> ?::uuid) desc', [person]);
    })
    .orderBy([
      { column: 'a.posted_at', order: 'desc' },
      { column: 'a.id', order: 'asc' },
    ])
    .limit(limit)
    .select(
      'a.id',
      'a.course_id',
      'a.title',
      'a.body',
      'a.doc',
      'a.posted_at',
      'c.code',
      'p.name',
      // Whoever wrote one has read it.
      db.raw('case when a.author_id = ?::uuid then a.posted_at else r.read_at end as read_at', [person]),
      db.raw(
        `case when a.chosen then (select count(*) from announcement_people n
          where n.course_id = a.course_id and n.announcement_id = a.id) end as chosen`,
      ),
    ),
  read: (rows) =>
    rows.map((r) => ({
      id: r.id,
      course: { id: courseId(r.course_id), code: r.code },
      author: r.name,
      title: r.title,
      body: r.body,
      doc: r.doc,
      postedAt: instant(at(r.posted_at)),
      readAt: r.read_at === null ? null : instant(at(r.read_at)),
      chosen: r.chosen === null ? null : Number(r.chosen),
    })),
});

/** These announcements, as far as they reach a person by now. */
export const announcementsBy = (
  db: Db,
  person: PersonId,
  ids: readonly string[],
  now: Instant,
): Ask<AnnouncementRecord[]> => {
  const all = announcementsFor(db, person, now, ids.length);
  return { query: all.query.clone().whereIn('a.id', [...ids]), read: all.read };
};

/** How many announcements of a course somebody has written. */
export async function announcedBy(db: Db, course: CourseId, person: PersonId): Promise<number> {
  const row = await db('announcements')
    .where({ course_id: course, author_id: person })
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** Whether an announcement that reaches somebody carries a file of its course; for staff also one that waits. */
export async function announcedTo(db: Db, person: PersonId, file: string, now: Instant): Promise<boolean> {
  const found = await reaching(db, person, now, { waiting: true })
    .join('files', 'files.course_id', 'a.course_id')
    .where('files.id', file)
    .whereRaw('files.id = any(a.files)')
    .first('a.id');
  return found !== undefined;
}

/** How many announcements of a person's courses they have not read. */
export const unreadAnnouncements = (db: Db, person: PersonId, now: Instant): Ask<number> => ({
  query: reaching(db, person, now)
    .whereNot('a.author_id', person)
    .whereNotExists((q) =>
      q
        .select(db.raw('1'))
        .from('announcement_reads as r')
        .whereRaw('r.course_id = a.course_id and r.announcement_id = a.id')
        .where('r.person_id', person),
    )
    .count('* as n'),
  read: (rows) => Number(rows[0]?.n ?? 0),
});

/** Notes that a person has read an announcement of a course they are in; the first reading's moment stays. */
export async function recordAnnouncementRead(db: Db, person: PersonId, id: string, now: Instant) {
  await db(db.raw('announcement_reads (course_id, announcement_id, person_id, read_at)'))
    .insert(
      reaching(db, person, now)
        .where('a.id', id)
        .select(
          'a.course_id',
          'a.id',
          db.raw('?::uuid', [person]),
          db.raw('?::timestamptz', [timestamptz(now)]),
        ),
    )
    .onConflict()
    .ignore();
}

/** How many of a course's students have read each announcement: for staff. */
export async function announcementReaders(db: Db, course: CourseId): Promise<Map<string, number>> {
  const rows = await db('announcement_reads as r')
    .join('enrolments as e', (j) => j.on('e.course_id', 'r.course_id').andOn('e.person_id', 'r.person_id'))
    .where({ 'r.course_id': course, 'e.role': 'student' })
    .groupBy('r.announcement_id')
    .select('r.announcement_id')
    .count('* as n');
  return new Map(rows.map((r) => [String(r.announcement_id), Number(r.n)]));
}

/** Announces something: to the whole course, or to the people of it that are named. */
export async function insertAnnouncement(
  db: Db,
  a: {
    course: CourseId;
    id: string;
    author: PersonId;
    title: string;
    body: string;
    doc?: Doc | null;
    postedAt: Instant;
    people?: readonly PersonId[];
  },
) {
  const people = a.people ?? [];
  await db('announcements').insert({
    course_id: a.course,
    id: a.id,
    author_id: a.author,
    title: a.title,
    body: a.body,
    ...(a.doc ? docColumns(a.doc) : {}),
    posted_at: timestamptz(a.postedAt),
    chosen: people.length > 0,
  });
  if (people.length)
    await db('announcement_people').insert(
      people.map((person) => ({ course_id: a.course, announcement_id: a.id, person_id: person })),
    );
}

/** Takes away one that waits for its time; false where that has come, or there is none. */
export async function dropWaitingAnnouncement(
  db: Db,
  course: CourseId,
  id: string,
  now: Instant,
): Promise<boolean> {
  const gone = await db('announcements')
    .where({ course_id: course, id })
    .where('posted_at', '>', timestamptz(now))
    .delete();
  return gone > 0;
}

/** Announcements whose time has come and that nobody was told of, held, with whom each reaches beside its author. */
export async function announcementsToTell(
  db: Db,
  now: Instant,
): Promise<{ course: CourseId; id: string; author: PersonId; to: PersonId[] }[]> {
  const { rows } = await db.raw(
    `select a.course_id, a.id, a.author_id, array(
       select e.person_id from enrolments e where e.course_id = a.course_id
         and (not a.chosen or exists (select 1 from announcement_people n
           where n.course_id = a.course_id and n.announcement_id = a.id and n.person_id = e.person_id))) as people
     from announcements a where a.told_at is null and a.posted_at <= ?::timestamptz
     order by a.posted_at for update skip locked`,
    [timestamptz(now)],
  );
  type Row = { course_id: string; id: string; author_id: string; people: string[] };
  return (rows as Row[]).map((r) => ({
    course: courseId(r.course_id),
    id: r.id,
    author: personId(r.author_id),
    to: r.people.map(personId),
  }));
}

export const noteTold = (db: Db, course: CourseId, id: string, now: Instant) =>
  db('announcements')
    .where({ course_id: course, id })
    .update({ told_at: timestamptz(now) });
