import type { Doc } from '@/core/document/nodes';
import type { Instant, PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';
import { docColumns } from './doc-columns';

/** An answer that somebody of the staff keeps to give again, in whichever course. */
export type SavedAnswer = { id: string; title: string; doc: Doc };

/** So many are kept by one person. */
export const MOST_SAVED = 60;

/** The answers somebody keeps, the newest first. */
export async function savedAnswers(db: Db, person: PersonId): Promise<SavedAnswer[]> {
  const rows = await db('saved_answers')
    .where({ person_id: person })
    .orderBy('saved_at', 'desc')
    .limit(MOST_SAVED)
    .select('id', 'title', 'doc');
  return rows.map((r) => ({ id: r.id, title: r.title, doc: r.doc }));
}

/** Keeps one; one of the same name is that name's no more, and beyond the most there may be the oldest go. */
export async function saveAnswer(db: Db, person: PersonId, saved: SavedAnswer & { now: Instant }) {
  const { id, title, doc, now } = saved;
  await db('saved_answers').where({ person_id: person, title }).delete();
  await db('saved_answers').insert({
    id,
    person_id: person,
    title,
    doc: docColumns(doc).doc,
    saved_at: timestamptz(now),
  });
  await db('saved_answers')
    .where({ person_id: person })
    .whereNotIn(
      'id',
      db('saved_answers')
        .where({ person_id: person })
        .orderBy('saved_at', 'desc')
        .limit(MOST_SAVED)
        .select('id'),
    )
    .delete();
}

export const dropSaved = (db: Db, person: PersonId, id: string) =>
  db('saved_answers').where({ person_id: person, id }).delete();
