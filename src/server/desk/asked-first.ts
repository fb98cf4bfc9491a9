import { fail, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import type { DiscussionRecord } from '@/db/queries/discussions';
import type { EnteredCourse } from '../courses/enter';
import type { Deps } from '../deps';
import { touchesOfDoing, type TouchesIn } from './consequences';

export type WouldBeWorse = { code: 'touches' };

/** Leaves what was done within it undone. */
class Undone<T> extends Error {
  constructor(readonly instead: T) {
    super('undone');
  }
}

async function undoable<T>(tx: Db, work: (inner: Db, undo: (instead: T) => never) => Promise<T>): Promise<T> {
  try {
    return await tx.transaction((inner) =>
      work(inner, (instead) => {
        throw new Undone(instead);
      }),
    );
  } catch (error) {
    if (error instanceof Undone) return error.instead as T;
    throw error;
  }
}

/**
 * Makes a change for single students, and leaves it undone where it takes something from somebody who has shared in one of these discussions,
 * unless exactly that was agreed to.
 */
export const unlessWorse = <E extends { code: string }>(
  deps: Pick<Deps, 'now'>,
  tx: Db,
  course: EnteredCourse,
  discussions: readonly DiscussionRecord[],
  agreed: string | undefined,
  change: (inner: Db) => Promise<Result<null, E>>,
): Promise<Result<null, E | WouldBeWorse>> =>
  undoable(tx, async (inner, undo) => {
    const { done, each, stamp } = await touchesOfDoing(deps, inner, course, discussions, () => change(inner));
    const worse = each.some((e) => e.touched.some((t) => t.worse));
    return done.ok && worse && agreed !== stamp ? undo(fail({ code: 'touches' })) : done;
  });

/** What a change would do, without making it. */
export const touchesIf = (
  deps: Pick<Deps, 'now'>,
  tx: Db,
  course: EnteredCourse,
  discussions: readonly DiscussionRecord[],
  change: (inner: Db) => Promise<unknown>,
): Promise<TouchesIn> =>
  undoable<TouchesIn>(tx, async (inner, undo) => {
    const { each, stamp } = await touchesOfDoing(deps, inner, course, discussions, () => change(inner));
    return undo({ each, stamp });
  });
