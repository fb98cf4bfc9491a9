import { instant, personId, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import type { Levels, MarkRecord } from '@/core/rubric/rubric';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** What a person thinks of the own text by the rubric, before it is shared. */
export const selfEstimateOf = (db: Db, person: PersonId, discussion: DiscussionId): Ask<Levels | null> => ({
  query: db('self_estimates').where({ person_id: person, discussion_id: discussion }).select('levels'),
  read: ([row]) => row?.levels ?? null,
});

export async function putSelfEstimate(
  db: Db,
  key: { course: CourseId; discussion: DiscussionId; person: PersonId },
  levels: Levels,
  at: Instant,
) {
  const row = {
    course_id: key.course,
    discussion_id: key.discussion,
    person_id: key.person,
    levels: JSON.stringify(levels),
    made_at: timestamptz(at),
  };
  await db('self_estimates')
    .insert(row)
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge(['levels', 'made_at']);
}

/** The mark a person was given in a discussion. */
export const markOf = (db: Db, person: PersonId, discussion: DiscussionId): Ask<MarkRecord | null> => ({
  query: db('marks as m')
    .join('people as p', 'p.id', 'm.marker_id')
    .where({ 'm.person_id': person, 'm.discussion_id': discussion })
    .select(
      'm.levels',
      'm.comment',
      'p.name as marker',
      db.raw('round(extract(epoch from m.marked_at) * 1000) as marked_at'),
    ),
  read: ([row]) =>
    row
      ? {
          levels: row.levels,
          comment: row.comment,
          marker: row.marker,
          markedAt: instant(Number(row.marked_at)),
        }
      : null,
});

export async function putMark(
  db: Db,
  mark: {
    course: CourseId;
    discussion: DiscussionId;
    person: PersonId;
    marker: PersonId;
    levels: Levels;
    comment: string;
    at: Instant;
  },
) {
  await db('marks')
    .insert({
      course_id: mark.course,
      discussion_id: mark.discussion,
      person_id: mark.person,
      marker_id: mark.marker,
      levels: JSON.stringify(mark.levels),
      comment: mark.comment,
      marked_at: timestamptz(mark.at),
    })
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge(['marker_id', 'levels', 'comment', 'marked_at']);
}

/** Who wrote a post of a discussion: for whom a mark is. */
export async function authorOfPost(db: Db, discussion: DiscussionId, post: number): Promise<PersonId | null> {
  const row = await db('posts').where({ discussion_id: discussion, id: post }).first('author_id');
  return row ? personId(row.author_id) : null;
}
