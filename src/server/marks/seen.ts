import { ok, type Result } from '@/core/result';
import { noteMarkSeen } from '@/db/queries/marks';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** Somebody has seen the mark that was released to them: it is not new any more. */
export async function noteSeen(deps: Deps, actor: Actor, slug: string): Promise<Result<null, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  await noteMarkSeen(deps.db, actor.id, door.value.record.id, deps.now);
  return ok(null);
}
