import {
  discussionId,
  instant,
  personId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
} from '@/core/ids';
import type { Late, Mark, Scheme, Way } from '@/core/marks/mark';
import type { ReleasedBefore } from '@/core/marks/release';
import { filesIn } from '@/core/document/attachments';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };

/** A mark out of its column: what was kept before there was more to say has none of it. */
export const asMark = (kept: Omit<Mark, 'more'> & Partial<Mark>): Mark => ({
  ...kept,
  more: kept.more ?? null,
});
/** The files that are said with a mark. */
export const filesOfMark = ({ more }: Mark): string[] => (more ? filesIn(more) : []);

/** A mark that its student may see: as it was when it was released. */
export type ReleasedRecord = {
  discussion: DiscussionId;
  person: PersonId;
  mark: Mark;
  /** How it was marked; null in marks from before that was kept: then as the discussion is marked now. */
  scheme: Scheme | null;
  late: Late | null;
  marker: string;
  n: number;
  releasedAt: Instant;
  was: ReleasedBefore | null;
  seen: boolean;
};

const released = (db: Db): Ask<ReleasedRecord[]> => ({
  query: db('marks as m')
    .join('people as p', 'p.id', 'm.marker_id')
    .select(
      'm.discussion_id',
      'm.person_id',
      'm.levels',
      'm.comment',
      'm.more',
      'm.points',
      'm.verdict',
      'm.override',
      'm.scheme',
      'm.late',
      'm.comments',
      'm.n',
      'm.was',
      'p.name as marker',
      db.raw('round(extract(epoch from m.marked_at) * 1000) as marked_at'),
      db.raw('m.seen_at is not null as seen'),
    ),
  read: (rows) =>
    rows.map((r) => ({
      discussion: discussionId(r.discussion_id),
      person: personId(r.person_id),
      mark: {
        levels: r.levels,
        points: r.points === null ? null : Number(r.points),
        verdict: r.verdict,
        override: r.override,
        remark: r.comment,
        more: r.more,
        comments: r.comments,
      },
      scheme: r.scheme,
      late: r.late,
      marker: r.marker,
      n: r.n,
      releasedAt: instant(Number(r.marked_at)),
      was: r.was,
      seen: r.seen,
    })),
});

/** The marks that were released to somebody, in all courses or in one discussion. */
export function releasedTo(db: Db, person: PersonId, discussion?: DiscussionId): Ask<ReleasedRecord[]> {
  const { query, read } = released(db);
  return {
    query: query.where('m.person_id', person).modify((q) => {
      if (discussion) q.where('m.discussion_id', discussion);
    }),
    read,
  };
}

/** The marks that were released in a course, or in one discussion of it. */
export function releasedIn(
  db: Db,
  { course, discussion }: { course: CourseId; discussion?: DiscussionId },
): Ask<ReleasedRecord[]> {
  const { query, read } = released(db);
  return {
    query: query.where('m.course_id', course).modify((q) => {
      if (discussion) q.where('m.discussion_id', discussion);
    }),
    read,
  };
}

/** A mark that its student has not seen yet. */
export type NewMark = { slug: string; title: string; course: string; changed: boolean; at: Instant };

/** Marks somebody has not seen, the newest first: where they are, and nothing of what they say. */
export const newMarks = (db: Db, person: PersonId, most: number): Ask<NewMark[]> => ({
  query: db('marks as m')
    .join('discussions as d', (j) => j.on('d.course_id', 'm.course_id').andOn('d.id', 'm.discussion_id'))
    .join('courses as c', 'c.id', 'd.course_id')
    .where('m.person_id', person)
    .whereNull('m.seen_at')
    .orderBy([{ column: 'm.marked_at', order: 'desc' }, 'd.slug'])
    .limit(most)
    .select(
      'd.slug',
      'd.title',
      'c.code',
      db.raw('m.was is not null as changed'),
      db.raw('round(extract(epoch from m.marked_at) * 1000) as at'),
    ),
  read: (rows) =>
    rows.map((r) => ({
      slug: r.slug,
      title: r.title,
      course: r.code,
      changed: r.changed,
      at: instant(Number(r.at)),
    })),
});

/** Lets somebody see a mark; what they saw before stands beside it. */
export async function putReleased(
  db: Db,
  place: Place & { person: PersonId },
  given: {
    mark: Mark;
    scheme: Scheme;
    late: Late | null;
    marker: PersonId;
    n: number;
    was: ReleasedBefore | null;
    at: Instant;
  },
) {
  const json = (value: object | null) => value && JSON.stringify(value);
  const { levels, points, verdict, override, remark, more, comments } = given.mark;
  await db('marks')
    .insert({
      course_id: place.course,
      discussion_id: place.discussion,
      person_id: place.person,
      marker_id: given.marker,
      levels: JSON.stringify(levels),
      comment: remark,
      more: json(more),
      files: filesOfMark(given.mark),
      points,
      verdict,
      override: json(override),
      scheme: json(given.scheme),
      late: json(given.late),
      comments: JSON.stringify(comments),
      n: given.n,
      was: json(given.was),
      seen_at: null,
      marked_at: timestamptz(given.at),
    })
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge();
}

/** Somebody has seen a mark that was released to them. */
export const noteMarkSeen = (db: Db, person: PersonId, discussion: DiscussionId, at: Instant) =>
  db('marks')
    .where({ person_id: person, discussion_id: discussion })
    .whereNull('seen_at')
    .update({ seen_at: timestamptz(at) });

/** Says how a discussion is marked; null leaves it to what there is. */
export const setWay = (db: Db, { course, discussion }: Place, way: Way | null) =>
  db('discussions').where({ course_id: course, id: discussion }).update({ marked_by: way });

/** When what is written of a discussion's marks is released by itself; null for when somebody does. */
export const setReleaseAt = (db: Db, { course, discussion }: Place, at: Instant | null) =>
  db('discussions')
    .where({ course_id: course, id: discussion })
    .update({ marks_at: at === null ? null : timestamptz(at) });
