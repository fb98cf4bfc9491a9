import { courseId, instant, type CourseId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** `recording` while it comes in, `waiting` for the job that makes it playable, `failed` where that cannot be. */
export type ClipState = 'recording' | 'waiting' | 'ready' | 'failed';
export type ClipRecord = {
  file: string;
  video: boolean;
  title: string;
  captions: string | null;
  from: number;
  to: number | null;
  state: ClipState;
  ms: number;
  poster: string | null;
};

export const insertClip = (db: Db, clip: { file: string; video: boolean; now: Instant }) =>
  db('clips').insert({
    file_id: clip.file,
    video: clip.video,
    state: 'recording',
    changed_at: timestamptz(clip.now),
  });

export async function clipOf(db: Db, file: string, forUpdate = false): Promise<ClipRecord | null> {
  const row = await db('clips')
    .where({ file_id: file })
    .modify((q) => void (forUpdate && q.forUpdate()))
    .first();
  return row
    ? {
        file: row.file_id,
        video: row.video,
        title: row.title,
        captions: row.captions,
        from: row.trim_from,
        to: row.trim_to,
        state: row.state,
        ms: row.ms,
        poster: row.poster_sha256,
      }
    : null;
}

/** What its writer says of a recording that is over. */
export const noteRecorded = (
  db: Db,
  file: string,
  said: {
    title: string;
    captions: string | null;
    from: number;
    to: number | null;
    ms: number;
    now: Instant;
  },
) =>
  db('clips')
    .where({ file_id: file })
    .update({
      title: said.title,
      captions: said.captions,
      trim_from: said.from,
      trim_to: said.to,
      ms: said.ms,
      state: 'waiting',
      changed_at: timestamptz(said.now),
    });

export const noteMade = (
  db: Db,
  file: string,
  made: { state: 'ready' | 'failed'; ms?: number; poster?: string | null; now: Instant },
) =>
  db('clips')
    .where({ file_id: file })
    .update({
      state: made.state,
      ...(made.ms === undefined ? {} : { ms: made.ms }),
      ...(made.poster === undefined ? {} : { poster_sha256: made.poster }),
      changed_at: timestamptz(made.now),
    });

/** A person's recordings in a course that were begun and never finished. */
export async function unfinishedClips(
  db: Db,
  course: CourseId,
  owner: PersonId,
): Promise<{ file: string; course: CourseId; video: boolean; received: number; began: Instant }[]> {
  const rows = await db('clips as c')
    .join('files as f', 'f.id', 'c.file_id')
    .where({ 'f.course_id': course, 'f.owner_id': owner, 'c.state': 'recording' })
    .where('f.received', '>', 0)
    .orderBy('f.began_at', 'desc')
    .limit(5)
    .select('f.id', 'f.course_id', 'c.video', 'f.received', 'f.began_at');
  return rows.map((r) => ({
    file: r.id,
    course: courseId(r.course_id),
    video: r.video,
    received: Number(r.received),
    began: instant(r.began_at),
  }));
}

/** Asks for a recording to be made into a clip, in the transaction that finished it; asked twice it is made once. */
export const askToMake = (db: Db, file: string) =>
  db.raw(
    `select graphile_worker.add_job('make-clip', json_build_object('file', ?::text), job_key := ?, max_attempts := 8)`,
    [file, `clip ${file}`],
  );
