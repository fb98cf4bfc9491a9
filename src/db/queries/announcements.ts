import { courseId, instant, type CourseId, type Instant, type PersonId } from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

export type AnnouncementRecord = {
  id: string;
  course: { id: CourseId; code: string };
  author: string;
  title: string;
  body: string;
  postedAt: Instant;
  readAt: Instant | null;
};

/** The announcements of a person's courses (or of one), the latest first or the unread before them, and whether they have read them. */
export const announcementsFor = (
  db: Db,
  person: PersonId,
  limit: number,
  { course, unreadFirst = false }: { course?: CourseId; unreadFirst?: boolean } = {},
): Ask<AnnouncementRecord[]> => ({
  query: db('announcements as a')
    .join('enrolments as e', (j) => j.on('e.course_id', 'a.course_id').andOnVal('e.person_id', person))
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
      'a.posted_at',
      'c.code',
      'p.name',
      // Whoever wrote one has read it.
      db.raw('case when a.author_id = ?::uuid then a.posted_at else r.read_at end as read_at', [person]),
    ),
  read: (rows) =>
    rows.map((r) => ({
      id: r.id,
      course: { id: courseId(r.course_id), code: r.code },
      author: r.name,
      title: r.title,
      body: r.body,
      postedAt: instant(at(r.posted_at)),
      readAt: r.read_at === null ? null : instant(at(r.read_at)),
    })),
});

/** How many announcements of a person's courses they have not read. */
export const unreadAnnouncements = (db: Db, person: PersonId): Ask<number> => ({
  query: db('announcements as a')
    .join('enrolments as e', (j) => j.on('e.course_id', 'a.course_id').andOnVal('e.person_id', person))
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

/** Notes that a person has read announcements of courses they are in; the first reading's moment stays. */
export async function recordAnnouncementReads(db: Db, person: PersonId, ids: string[], now: Instant) {
  await db(db.raw('announcement_reads (course_id, announcement_id, person_id, read_at)'))
    .insert(
      db('announcements as a')
        .join('enrolments as e', (j) => j.on('e.course_id', 'a.course_id').andOnVal('e.person_id', person))
        .whereIn('a.id', ids)
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
