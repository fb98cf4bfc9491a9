import type { CourseId, DiscussionId, Instant, PersonId } from '@/core/ids';
import type { TableLine } from '@/core/marks/read-table';
import { timestamptz, type Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };
const at = ({ course, discussion }: Place, id: string) => ({
  id,
  course_id: course,
  discussion_id: discussion,
});

export type BroughtRecord = { id: string; name: string; lines: TableLine[] };

export const insertBrought = (
  db: Db,
  place: Place,
  brought: BroughtRecord & { by: PersonId; now: Instant },
) =>
  db('brought_marks').insert({
    ...at(place, brought.id),
    brought_by: brought.by,
    file_name: brought.name,
    lines: JSON.stringify(brought.lines),
    brought_at: timestamptz(brought.now),
  });

/** A table of marks that was brought and waits to be taken over; held for the transaction where it is about to be. */
export async function broughtMarks(
  db: Db,
  place: Place,
  id: string,
  hold = false,
): Promise<BroughtRecord | null> {
  const row = await db('brought_marks')
    .where(at(place, id))
    .modify((q) => void (hold ? q.forUpdate() : q))
    .first('file_name', 'lines');
  return row ? { id, name: row.file_name, lines: row.lines } : null;
}

export const dropBrought = (db: Db, place: Place, id: string) =>
  db('brought_marks').where(at(place, id)).delete();

/** Tables that nobody took over within a day go. */
export const sweepBrought = (db: Db, before: Instant) =>
  db('brought_marks').where('brought_at', '<', timestamptz(before)).delete();
