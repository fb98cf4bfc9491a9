import { courseId, type CourseId, type Instant, type PersonId } from '@/core/ids';
import type { RosterLine } from '@/core/people/roster';
import { timestamptz, type Db } from '../connection';

export async function insertRoster(
  db: Db,
  r: { id: string; course: CourseId; by: PersonId; name: string; lines: readonly RosterLine[]; now: Instant },
) {
  await db('rosters').insert({
    id: r.id,
    course_id: r.course,
    brought_by: r.by,
    file_name: r.name,
    lines: JSON.stringify(r.lines),
    brought_at: timestamptz(r.now),
  });
}

export type RosterRecord = {
  id: string;
  course: CourseId;
  name: string;
  lines: RosterLine[];
  taken: boolean;
};

/** A roster that was brought, held where it is about to be taken. */
export async function roster(db: Db, id: string, hold = false): Promise<RosterRecord | null> {
  const row = await db('rosters')
    .where({ id })
    .modify((q) => void (hold ? q.forUpdate() : q))
    .first('id', 'course_id', 'file_name', 'lines', 'taken_at');
  return row
    ? {
        id: row.id,
        course: courseId(row.course_id),
        name: row.file_name,
        lines: row.lines,
        taken: row.taken_at !== null,
      }
    : null;
}

/** It was taken; whom it named is written in invitations and enrolments now, and here no longer. */
export const rosterTaken = (db: Db, id: string, now: Instant) =>
  db('rosters')
    .where({ id })
    .update({ taken_at: timestamptz(now), lines: '[]' });

export const dropRoster = (db: Db, id: string) => db('rosters').where({ id }).delete();

/** Rosters that nobody took within a day go. */
export const sweepRosters = (db: Db, before: Instant) =>
  db('rosters').where('brought_at', '<', timestamptz(before)).delete();
