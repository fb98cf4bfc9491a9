import { z } from 'zod';
import type { Instant, PersonId } from '../ids';
import type { Anchor, Found } from './anchor';

/** Whom a note is for: everybody in the course, its staff (and its author), or its author alone. */
export const AUDIENCES = ['class', 'staff', 'self'] as const;
export type Audience = (typeof AUDIENCES)[number];

export const LONGEST_NOTE = 5_000;
/** So many notes of one person may stand beside one reading. */
export const MOST_NOTES = 500;
export const noteBody = z.string().trim().min(1).max(LONGEST_NOTE);

/** A margin note: an anchor for a passage of a reading, none for the whole of it. */
export type Note = {
  id: string;
  author: { id: PersonId; name: string; staff: boolean };
  /** The note it answers; answers have no anchor of their own. */
  parent: string | null;
  audience: Audience;
  body: string;
  anchor: Anchor | null;
  madeAt: Instant;
  changedAt: Instant | null;
  /** Its author took it back, and only its answers hold its place. */
  removed: boolean;
};

/**
 * Whether a person may read a note: the one rule, which every way to a note goes through.
 * @example a note for the staff, asked by a classmate: false
 */
export const mayReadNote = (
  note: { audience: Audience; authorId: PersonId },
  reader: { id: PersonId; staff: boolean },
): boolean =>
  note.authorId === reader.id || note.audience === 'class' || (note.audience === 'staff' && reader.staff);

/** A note with where its passage stands now: one that has an anchor and is not found is an orphan. */
export type PlacedNote = { note: Note; found: Found | null };

/** A note as one reader is given it. */
export type NoteLine = {
  id: string;
  parent: string | null;
  author: string;
  staff: boolean;
  mine: boolean;
  audience: Audience;
  body: string;
  /** The words of its passage as they are remembered; null for a note on the whole reading. */
  quote: string | null;
  /** How its passage was found again, and where; null when it is gone or there is none. */
  place: Pick<Found, 'start' | 'how'> | null;
  /** Its passage could not be looked for in the time there is. */
  notLooked?: boolean;
  madeAt: number;
  changed: boolean;
  removed: boolean;
};

/** One mark on the page: a stretch of the text with the notes whose passages meet there. */
export type NoteMark = { start: number; end: number; notes: string[] };

/**
 * Passages that overlap share one mark, so that a crowded one shows a number and not a thicket.
 * @example two notes on overlapping passages share one mark with both their ids
 */
export function marksOf(placed: readonly PlacedNote[]): NoteMark[] {
  const marks: NoteMark[] = [];
  const inOrder = placed
    .flatMap(({ note, found }) => (found && !note.removed ? [{ id: note.id, ...found }] : []))
    .sort((a, b) => a.start - b.start || a.end - b.end);
  for (const { id, start, end } of inOrder) {
    const last = marks[marks.length - 1];
    if (last && start < last.end) {
      last.end = Math.max(last.end, end);
      last.notes.push(id);
    } else marks.push({ start, end, notes: [id] });
  }
  return marks;
}
