import { ok, type Result } from '@/core/result';
import { beforeOf } from '@/core/marks/release';
import { holdDiscussion } from '@/db/queries/desk';
import { marksDue } from '@/db/queries/marking';
import { putReleased, setReleaseAt } from '@/db/queries/marks';
import type { PersonId } from '@/core/ids';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { tellMarks } from '../notices/happened';
import { classMarks, type Marked } from './class-marks';

/**
 * Lets students see the marks that are written in full: of those who are named, of one's own share, or of all. Who saw another mark before sees that one
 * beside it. A mark that says what its student sees already is left alone.
 *
 * @returns how many were released
 */
export async function releaseMarks(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  only: readonly string[] | 'mine' | null,
): Promise<Result<number, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    // Two who release at once do it one after the other.
    await holdDiscussion(tx, course.id, name);
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const place = { course: course.id, discussion: found.value.record.id };
    const { scheme, all } = await classMarks(deps, tx, course, found.value.record);
    const told: { student: PersonId; n: number; by: PersonId }[] = [];
    const isMeant = ({ student, marker }: Marked) =>
      only === null || (only === 'mine' ? marker === actor.id : only.includes(student.id));
    for (const one of all) {
      const { student, mark, late, ready, seen, written, released } = one;
      if (!ready || !written || !isMeant(one)) continue;
      const n = (released?.n ?? 0) + 1;
      await putReleased(
        tx,
        { ...place, person: student.id },
        {
          mark,
          scheme,
          late,
          marker: written.by,
          n,
          was: seen && released ? beforeOf(seen, released.releasedAt) : null,
          at: deps.now,
        },
      );
      told.push({ student: student.id, n, by: written.by });
    }
    await tellMarks(tx, deps.now, place, told);
    return ok(told.length);
  });
}

/** Releases the marks whose time has come; answers of how many discussions. */
export async function releaseDue(deps: Deps): Promise<number> {
  const due = await marksDue(deps.db, deps.now);
  for (const { course, slug, by, place } of due) {
    if (by) await releaseMarks(deps, { ...by, previousVisit: null }, course, slug, null);
    // What is written later is not released unasked.
    await setReleaseAt(deps.db, place, null);
  }
  return due.length;
}
