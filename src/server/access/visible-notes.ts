import { mayReadNote, type Note } from '@/core/notes/note';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { allNotes, type NotePlace } from '@/db/queries/notes';
import type { Actor } from '../deps';

/**
 * The margin notes of a reading that a person may read: nothing else of them leaves the server. An answer is as private as
 * the note it stands under.
 */
export async function visibleNotes(
  db: Db,
  actor: Actor,
  place: NotePlace & { staff: boolean },
): Promise<Note[]> {
  const notes = await ask(allNotes(db, place));
  const reader = { id: actor.id, staff: place.staff };
  const readable = new Set(
    notes
      .filter(
        (n) => n.parent === null && mayReadNote({ audience: n.audience, authorId: n.author.id }, reader),
      )
      .map((n) => n.id),
  );
  return notes.filter((n) => readable.has(n.parent ?? n.id));
}
