import { filesIn } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { slugOf, type CourseId, type PersonId } from '@/core/ids';
import type { Ask } from '../ask';
import type { Db } from '../connection';
import type { FileRecord } from './files';

/** What a course says to whoever begins it; held until the transaction ends where it is to be changed. */
export async function beginningOf(db: Db, course: CourseId, forUpdate = false): Promise<Doc | null> {
  const row = await db('courses')
    .where({ id: course })
    .modify((q) => void (forUpdate && q.forUpdate()))
    .first('beginning');
  return (row?.beginning ?? null) as Doc | null;
}

export const replaceBeginning = (db: Db, course: CourseId, doc: Doc) =>
  db('courses')
    .where({ id: course })
    .update({ beginning: JSON.stringify(doc), beginning_files: filesIn(doc) });

/** The courses that say how to begin, in which a student has shared nothing yet. */
export const toBeginBy = (db: Db, person: PersonId): Ask<{ code: string; slug: string }[]> => ({
  query: db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where({ 'e.person_id': person, 'e.role': 'student' })
    .whereNotNull('c.beginning')
    .whereNotExists((q) =>
      q
        .select(db.raw('1'))
        .from('posts as p')
        .whereRaw('p.course_id = e.course_id')
        .where('p.author_id', person),
    )
    .orderBy('c.code')
    .select('c.code', 'c.slug'),
  read: (rows) => rows.map((r) => ({ code: r.code, slug: slugOf({ code: r.code, slug: r.slug }) })),
});

/** The course whose beginning carries a file, by its name in addresses. */
export async function beginningCarrying(db: Db, file: FileRecord): Promise<string | null> {
  const row = await db('courses')
    .where({ id: file.course })
    .whereRaw('?::uuid = any(beginning_files)', [file.id])
    .first('code', 'slug');
  return row ? slugOf({ code: row.code, slug: row.slug }) : null;
}
