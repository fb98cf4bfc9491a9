import { instant, personId, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import type { Levels } from '@/core/rubric/rubric';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

type Spoken = { reading: string } | { discussion: DiscussionId };
const spoken = (what: Spoken) =>
  'reading' in what ? { reading_id: what.reading } : { discussion_id: what.discussion };

/** The recording that an instructor made of a reading or prompt, where there is one. */
export const recordingOf = (db: Db, what: Spoken): Ask<{ id: string; speaker: string } | null> => ({
  query: db('recordings as r')
    .join('people as p', 'p.id', 'r.speaker_id')
    .where(spoken(what))
    .select('r.id', 'p.name as speaker'),
  read: ([row]) => row ?? null,
});

/** A recording of a course the person is in. */
export async function recordingContent(db: Db, person: PersonId, id: string) {
  const row = await db('recordings as r')
    .join('enrolments as e', (j) => j.on('e.course_id', 'r.course_id').andOnVal('e.person_id', person))
    .where('r.id', id)
    .first('r.media_type', 'r.content');
  return row ? { mediaType: row.media_type as string, content: row.content as Buffer } : null;
}

export async function putRecording(
  db: Db,
  recording: {
    course: CourseId;
    id: string;
    of: Spoken;
    speaker: PersonId;
    mediaType: string;
    content: Buffer;
    madeAt: Instant;
  },
) {
  await db('recordings').where(spoken(recording.of)).delete();
  await db('recordings').insert({
    course_id: recording.course,
    id: recording.id,
    ...spoken(recording.of),
    speaker_id: recording.speaker,
    media_type: recording.mediaType,
    content: recording.content,
    made_at: timestamptz(recording.madeAt),
  });
}

export const deleteRecording = (db: Db, of: Spoken) => db('recordings').where(spoken(of)).delete();

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

export type MarkRecord = { levels: Levels; comment: string; marker: string; markedAt: Instant };

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

/** The viewings of a discussion that a person has ticked off. */
export const viewingsDone = (db: Db, person: PersonId, discussion: DiscussionId): Ask<string[]> => ({
  query: db('viewings_done').where({ person_id: person, discussion_id: discussion }).select('viewing'),
  read: (rows) => rows.map((r) => r.viewing),
});

export async function setViewing(
  db: Db,
  key: { course: CourseId; discussion: DiscussionId; person: PersonId; viewing: string },
  done: Instant | null,
) {
  const where = {
    course_id: key.course,
    discussion_id: key.discussion,
    person_id: key.person,
    viewing: key.viewing,
  };
  if (done === null) await db('viewings_done').where(where).delete();
  else
    await db('viewings_done')
      .insert({ ...where, done_at: timestamptz(done) })
      .onConflict()
      .ignore();
}

/** Who wrote a post of a discussion: for whom a mark is. */
export async function authorOfPost(db: Db, discussion: DiscussionId, post: number): Promise<PersonId | null> {
  const row = await db('posts').where({ discussion_id: discussion, id: post }).first('author_id');
  return row ? personId(row.author_id) : null;
}
