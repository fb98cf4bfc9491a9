import {
  instant,
  isStaff,
  personId,
  type CourseId,
  type Instant,
  type PersonId,
  type Role,
} from '@/core/ids';
import type { Anchor } from '@/core/notes/anchor';
import type { Audience, Note } from '@/core/notes/note';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

export type NotePlace = { course: CourseId; reading: string };

const toNote = (r: {
  id: string;
  author_id: string;
  name: string;
  role: Role;
  parent_id: string | null;
  audience: Audience;
  body: string;
  anchor: Anchor | null;
  made_at: string;
  changed_at: string | null;
  removed_at: string | null;
}): Note => ({
  id: r.id,
  author: { id: personId(r.author_id), name: r.name, staff: isStaff(r.role) },
  parent: r.parent_id,
  audience: r.audience,
  body: r.removed_at === null ? r.body : '',
  anchor: r.anchor,
  madeAt: instant(Number(r.made_at)),
  changedAt: r.changed_at === null ? null : instant(Number(r.changed_at)),
  removed: r.removed_at !== null,
});

/** Every note of a reading, oldest first: who may read which is the use-case's question. */
export const allNotes = (db: Db, place: NotePlace): Ask<Note[]> => ({
  query: db('margin_notes as n')
    .join('people as p', 'p.id', 'n.author_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'n.course_id').andOn('e.person_id', 'n.author_id'))
    .where({ 'n.course_id': place.course, 'n.reading_id': place.reading })
    .orderBy(['n.made_at', 'n.id'])
    .select(
      'n.id',
      'n.author_id',
      'p.name',
      'e.role',
      'n.parent_id',
      'n.audience',
      'n.body',
      'n.anchor',
      db.raw('round(extract(epoch from n.made_at) * 1000) as made_at'),
      db.raw('round(extract(epoch from n.changed_at) * 1000) as changed_at'),
      db.raw('round(extract(epoch from n.removed_at) * 1000) as removed_at'),
    ),
  read: (rows) => rows.map(toNote),
});

export type NewNote = NotePlace & {
  id: string;
  author: PersonId;
  parent: string | null;
  audience: Audience;
  body: string;
  anchor: Anchor | null;
  madeAt: Instant;
  importedFrom: string | null;
};

/** Adds notes; one that was imported before is not added again. Answers with those that are new. */
export async function insertNotes(db: Db, notes: NewNote[]): Promise<string[]> {
  if (notes.length === 0) return [];
  const rows = await db('margin_notes')
    .insert(
      notes.map((n) => ({
        course_id: n.course,
        reading_id: n.reading,
        id: n.id,
        author_id: n.author,
        parent_id: n.parent,
        audience: n.audience,
        body: n.body,
        anchor: n.anchor && JSON.stringify(n.anchor),
        made_at: timestamptz(n.madeAt),
        imported_from: n.importedFrom,
      })),
    )
    .onConflict(['author_id', 'reading_id', 'imported_from'])
    .ignore()
    .returning('id');
  return rows.map((r) => r.id);
}

const own = (db: Db, place: NotePlace, id: string, author: PersonId) =>
  db('margin_notes').where({
    course_id: place.course,
    reading_id: place.reading,
    id,
    author_id: author,
    removed_at: null,
  });

/** Changes one's own note; answers whether there was such a one. */
export async function changeNote(
  db: Db,
  place: NotePlace,
  note: { id: string; author: PersonId; body: string; at: Instant },
): Promise<boolean> {
  const n = await own(db, place, note.id, note.author).update({
    body: note.body,
    changed_at: timestamptz(note.at),
  });
  return n > 0;
}

/** Removes one's own note: its words go; a place is left only where others have answered it. */
export async function removeNote(
  db: Db,
  place: NotePlace,
  note: { id: string; author: PersonId; at: Instant },
): Promise<boolean> {
  const answered = await db('margin_notes').where({ parent_id: note.id }).first('id');
  const mine = own(db, place, note.id, note.author);
  const n = answered
    ? await mine.update({ body: '', removed_at: timestamptz(note.at) })
    : await mine.delete();
  return n > 0;
}

/** What one person's notes beside a reading were imported from, null for one that was written here. */
export async function ownOrigins(db: Db, place: NotePlace, author: PersonId): Promise<(string | null)[]> {
  return db('margin_notes')
    .where({ course_id: place.course, reading_id: place.reading, author_id: author, removed_at: null })
    .pluck('imported_from');
}

/** The ids of a reading's notes. */
export async function noteIds(db: Db, place: NotePlace): Promise<ReadonlySet<string>> {
  return new Set(
    await db('margin_notes').where({ course_id: place.course, reading_id: place.reading }).pluck('id'),
  );
}
