import { z } from 'zod';
import { TIMES, timesAsNumber } from '@/core/desk/groups';
import { ok, type Result } from '@/core/result';
import { setTimes } from '@/db/queries/groups';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse } from './enter';

export const ownTimesSchema = z
  .array(
    z.coerce
      .number()
      .int()
      .min(0)
      .max(TIMES - 1),
  )
  .max(TIMES);

/** Says when one could work with others in a course. Groups can be made by it; nobody reads it. */
export async function sayTimes(
  deps: Deps,
  actor: Actor,
  slug: string,
  times: readonly number[],
): Promise<Result<null, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  await setTimes(deps.db, door.value.id, actor.id, timesAsNumber(times));
  return ok(null);
}
