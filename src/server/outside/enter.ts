import { fail, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** The door to an outside discussion: a hosted one is not found through it. */
export async function enterOutside(
  deps: Deps,
  actor: Actor,
  slug: string,
  db: Db = deps.db,
): Promise<Result<Entered, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug, db);
  return door.ok && !door.value.record.course.outside ? fail({ code: 'not-found' }) : door;
}
