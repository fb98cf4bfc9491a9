import type { CourseId, DiscussionId, Instant, PersonId } from '@/core/ids';
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
