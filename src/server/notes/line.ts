import type { NoteLine, PlacedNote } from '@/core/notes/note';
import type { Actor } from '../deps';

/** What leaves the server of a note. */
export const noteLine = ({ note, found }: PlacedNote, reader: Actor): NoteLine => ({
  id: note.id,
  parent: note.parent,
  author: note.author.name,
  staff: note.author.staff,
  mine: note.author.id === reader.id,
  audience: note.audience,
  body: note.body,
  quote: note.anchor?.exact ?? null,
  place: found && { start: found.start, how: found.how },
  madeAt: note.madeAt,
  changed: note.changedAt !== null,
  removed: note.removed,
});
