import {
  courseId,
  discussionId,
  instant,
  personId,
  slugOf,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
} from '@/core/ids';
import type { Mark } from '@/core/marks/mark';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { asMark, filesOfMark } from './marks';

type Place = { course: CourseId; discussion: DiscussionId };

/** What staff have written of somebody's part: theirs alone until it is released. */
export type MarkingRecord = {
  person: PersonId;
  mark: Mark;
  revision: number;
  by: PersonId;
  marker: string;
  writtenAt: Instant;
};

export const markingIn = (
  db: Db,
  { course, discussion }: Place,
  person?: PersonId,
): Ask<MarkingRecord[]> => ({
  query: db('marking as m')
    .join('people as p', 'p.id', 'm.marker_id')
    .where({ 'm.course_id': course, 'm.discussion_id': discussion })
    .modify((q) => {
      if (person) q.where('m.person_id', person);
    })
    .select(
      'm.person_id',
      'm.mark',
      'm.revision',
      'm.marker_id',
      'p.name as marker',
      db.raw('round(extract(epoch from m.written_at) * 1000) as written_at'),
    ),
  read: (rows) =>
    rows.map((r) => ({
      person: personId(r.person_id),
      mark: asMark(r.mark),
      revision: r.revision,
      by: personId(r.marker_id),
      marker: r.marker,
      writtenAt: instant(Number(r.written_at)),
    })),
});

/** Keeps what staff write where nobody has written since `base`; the revision it has then, or null where somebody has. */
export async function putMarking(
  db: Db,
  place: Place & { person: PersonId },
  written: { mark: Mark; marker: PersonId; base: number; at: Instant },
): Promise<number | null> {
  const key = { course_id: place.course, discussion_id: place.discussion, person_id: place.person };
  const text = {
    mark: JSON.stringify(written.mark),
    files: filesOfMark(written.mark),
    marker_id: written.marker,
    written_at: timestamptz(written.at),
  };
  const rows: { revision: number }[] =
    written.base === 0
      ? await db('marking')
          .insert({ ...key, ...text })
          .onConflict()
          .ignore()
          .returning('revision')
      : await db('marking')
          .where({ ...key, revision: written.base })
          .update({ ...text, revision: written.base + 1 })
          .returning('revision');
  return rows[0]?.revision ?? null;
}

/** A discussion whose marks are due to be released, with who wrote one of them last; nobody where none is written. */
export type MarksDue = {
  place: Place;
  course: string;
  slug: string;
  by: { id: PersonId; name: string; timeZone: string } | null;
};

export async function marksDue(db: Db, now: Instant): Promise<MarksDue[]> {
  const rows = await db('discussions as d')
    .join('courses as c', 'c.id', 'd.course_id')
    .leftJoin('marking as m', (j) => j.on('m.course_id', 'd.course_id').andOn('m.discussion_id', 'd.id'))
    .leftJoin('people as p', 'p.id', 'm.marker_id')
    .where('d.marks_at', '<=', timestamptz(now))
    .distinctOn('d.id')
    .orderBy(['d.id', { column: 'm.written_at', order: 'desc' }])
    .select(
      'd.id',
      'd.course_id',
      'c.slug as course',
      'c.code',
      'd.slug',
      'p.id as by',
      'p.name',
      'p.time_zone',
    );
  return rows.map((r) => ({
    place: { course: courseId(r.course_id), discussion: discussionId(r.id) },
    course: slugOf({ code: r.code, slug: r.course }),
    slug: r.slug,
    by: r.by === null ? null : { id: personId(r.by), name: r.name, timeZone: r.time_zone },
  }));
}
