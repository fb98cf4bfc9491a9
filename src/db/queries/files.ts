import {
  courseId,
  personId,
  postId,
  type CourseId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { StoredFile } from '@/core/document/attachments';
import { timestamptz, type Db } from '../connection';
import type { ClipState } from './clips';

/** A file as it is known while it comes in and after. `sha256` is null until all of it is here. */
export type FileRecord = {
  id: string;
  course: CourseId;
  owner: PersonId;
  name: string;
  expected: number;
  received: number;
  sha256: string | null;
  mediaType: string | null;
  bytes: number | null;
  width: number | null;
  height: number | null;
  /** Of a clip: how far it is. Nobody gets a recording before it is made into a clip. */
  clip: { state: ClipState; ms: number; video: boolean } | null;
};

const COLUMNS = [
  'id',
  'course_id',
  'owner_id',
  'name',
  'expected',
  'received',
  'sha256',
  'media_type',
  'bytes',
  'width',
  'height',
];

const CLIP = (db: Db) =>
  db.raw(
    `(select json_build_object('state', c.state, 'ms', c.ms, 'video', c.video) from clips c where c.file_id = files.id) as clip`,
  );

export async function insertFile(
  db: Db,
  file: { id: string; course: CourseId; owner: PersonId; name: string; expected: number; now: Instant },
) {
  await db('files').insert({
    id: file.id,
    course_id: file.course,
    owner_id: file.owner,
    name: file.name,
    expected: file.expected,
    began_at: timestamptz(file.now),
  });
}

/** A file by its id; held against others who write to it where `forUpdate`. */
export async function fileById(db: Db, id: string, forUpdate = false): Promise<FileRecord | null> {
  const row = await db('files')
    .where({ id })
    .modify((q) => void (forUpdate && q.forUpdate()))
    .first(...COLUMNS, CLIP(db));
  return row
    ? {
        id: row.id,
        course: courseId(row.course_id),
        owner: personId(row.owner_id),
        name: row.name,
        expected: Number(row.expected),
        received: Number(row.received),
        sha256: row.sha256,
        mediaType: row.media_type,
        bytes: row.bytes === null ? null : Number(row.bytes),
        width: row.width,
        height: row.height,
        clip: row.clip,
      }
    : null;
}

export const noteReceived = (db: Db, id: string, received: number) =>
  db('files').where({ id }).update({ received });

export const noteContent = (
  db: Db,
  id: string,
  content: {
    sha256: string;
    name: string;
    mediaType: string;
    bytes: number;
    width: number | null;
    height: number | null;
  },
) =>
  db('files').where({ id }).update({
    sha256: content.sha256,
    name: content.name,
    media_type: content.mediaType,
    bytes: content.bytes,
    width: content.width,
    height: content.height,
  });

export const deleteFile = (db: Db, id: string) => db('files').where({ id }).delete();

/** Held by whoever counts what a course holds and then adds to it, until the transaction ends. */
export const lockQuota = (db: Db, course: CourseId) =>
  db.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [course]);

/** How much a person, and all of a course, hold there: what has come and what is still to come. */
export async function heldBytes(db: Db, course: CourseId, owner: PersonId) {
  const row = await db('files')
    .where({ course_id: course })
    .first(
      db.raw('coalesce(sum(coalesce(bytes, expected)), 0)::bigint as course'),
      db.raw('coalesce(sum(coalesce(bytes, expected)) filter (where owner_id = ?), 0)::bigint as own', [
        owner,
      ]),
    );
  return { course: Number(row.course), own: Number(row.own) };
}

/** Of these files those of a course that are all here; of one owner, where one is named. */
export async function filesOfCourse(
  db: Db,
  course: CourseId,
  ids: readonly string[],
  owner?: PersonId,
): Promise<StoredFile[]> {
  const rows = await db('files')
    .whereIn('id', [...ids])
    .where({ course_id: course, ...(owner ? { owner_id: owner } : {}) })
    .whereNotNull('sha256')
    .select('id', 'name', 'media_type', 'bytes', 'width', 'height', CLIP(db));
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    mediaType: r.media_type,
    bytes: Number(r.bytes),
    width: r.width,
    height: r.height,
    clip: r.clip ? { ms: r.clip.ms, video: r.clip.video } : null,
  }));
}

/** The files a version of a post carries. */
export async function notePostFiles(db: Db, post: PostId, n: number, files: readonly string[]) {
  if (files.length) await db('post_files').insert(files.map((id) => ({ file_id: id, post_id: post, n })));
}

/** The posts that carry a file, and whether the text that is read now does. */
export async function postsCarrying(
  db: Db,
  file: string,
): Promise<{ post: PostId; discussion: string; now: boolean }[]> {
  const rows = await db('post_files as f')
    .join('posts as p', 'p.id', 'f.post_id')
    .join('rooms as d', 'd.id', 'p.discussion_id')
    .where('f.file_id', file)
    .groupBy('p.id', 'd.slug')
    .select(
      'p.id',
      'd.slug',
      db.raw('max(f.n) = (select max(v.n) from post_versions v where v.post_id = p.id) as now'),
    );
  return rows.map((r) => ({ post: postId(r.id), discussion: r.slug, now: r.now }));
}

async function slugCarrying(db: Db, file: FileRecord, table: 'readings' | 'discussions') {
  const row = await db(`${table} as t`)
    .join('files', 'files.course_id', 't.course_id')
    .where('files.id', file.id)
    .whereRaw('files.id = any(t.files)')
    .first('t.slug');
  return row ? String(row.slug) : null;
}
/** A reading of its course that carries a file. */
export const readingCarrying = (db: Db, file: FileRecord) => slugCarrying(db, file, 'readings');
/** A discussion of its course whose prompt carries a file, or carried it before it was changed. */
export async function promptCarrying(db: Db, file: FileRecord): Promise<string | null> {
  const now = await slugCarrying(db, file, 'discussions');
  if (now) return now;
  const row = await db('prompt_versions as v')
    .join('discussions as d', 'd.id', 'v.discussion_id')
    .join('files', 'files.course_id', 'v.course_id')
    .where('files.id', file.id)
    .whereRaw('files.id = any(v.files)')
    .first('d.slug');
  return row ? String(row.slug) : null;
}

/** A discussion of its course in which a draft that was handed to the staff carries a file. */
export async function handedCarrying(db: Db, file: FileRecord): Promise<string | null> {
  const row = await db('handed_over as h')
    .join('discussions as d', 'd.id', 'h.discussion_id')
    .join('files', 'files.course_id', 'h.course_id')
    .where('files.id', file.id)
    .whereRaw('files.id = any(h.files)')
    .first('d.slug');
  return row ? String(row.slug) : null;
}

/**
 * The discussion with whose marks a file was given: for its student once the mark is released, for staff as it is written.
 * Whether somebody is staff of it is asked elsewhere.
 */
export async function markCarrying(
  db: Db,
  file: FileRecord,
  person: PersonId,
): Promise<{ slug: string; released: boolean } | null> {
  const { rows } = await db.raw(
    `select d.slug, bool_or(m.released) as released from (
       select course_id, discussion_id, person_id = :person as released from marks
       where course_id = :course and :file = any(files)
       union all
       select course_id, discussion_id, false from marking where course_id = :course and :file = any(files)
       union all
       select course_id, discussion_id, false from second_readings where course_id = :course and :file = any(files)) m
     join discussions d on d.course_id = m.course_id and d.id = m.discussion_id
     group by d.slug limit 1`,
    { person, course: file.course, file: file.id },
  );
  const [row] = rows as { slug: string; released: boolean }[];
  return row ?? null;
}

/** Files that nothing carries any more, neither a post nor a draft nor one of its versions, no reading, prompt, announcement, mark or first page, begun before a moment. */
export async function spentFiles(
  db: Db,
  before: Instant,
): Promise<{ id: string; sha256: string | null; poster: string | null }[]> {
  const carries = (table: string) =>
    db.raw(
      `exists (select 1 from ${table} d where d.author_id = files.owner_id and d.course_id = files.course_id
        and files.id = any(d.files))`,
    );
  const shown = (table: string) =>
    db.raw(
      `exists (select 1 from ${table} t where t.course_id = files.course_id and files.id = any(t.files))`,
    );
  return db('files')
    .where('began_at', '<', timestamptz(before))
    .whereNotExists(db('post_files').whereRaw('post_files.file_id = files.id').select(db.raw('1')))
    .whereNot(
      (w) =>
        void w
          .whereRaw(carries('drafts'))
          .orWhereRaw(carries('draft_versions'))
          .orWhereRaw(shown('readings'))
          .orWhereRaw(shown('discussions'))
          .orWhereRaw(shown('prompt_versions'))
          .orWhereRaw(shown('handed_over'))
          .orWhereRaw(shown('announcements'))
          .orWhereRaw(shown('marking'))
          .orWhereRaw(shown('second_readings'))
          .orWhereRaw(shown('marks'))
          .orWhereRaw(
            'exists (select 1 from courses c where c.id = files.course_id and files.id = any(c.beginning_files))',
          ),
    )
    .limit(500)
    .select(
      'id',
      'sha256',
      db.raw('(select poster_sha256 from clips c where c.file_id = files.id) as poster'),
    );
}

/** Whether any file, picture of a person or mark still has this content. */
export const contentIsHeld = async (db: Db, sha256: string): Promise<boolean> =>
  Boolean(
    (await db('files').where({ sha256 }).first('id')) ??
    (await db('clips').where({ poster_sha256: sha256 }).first('file_id')) ??
    (await db('people').where({ picture: sha256 }).first('id')) ??
    (await db('college').where({ mark: sha256 }).first('only_row')),
  );

/** Lets nothing else add or take away this content until the transaction ends. */
export const lockContent = (db: Db, sha256: string) =>
  db.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [sha256]);
