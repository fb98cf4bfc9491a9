import { ok, type Result } from '@/core/result';
import { noteMarkSeen } from '@/db/queries/marks';
import { seeNotices } from '@/db/queries/notices';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** Somebody has seen the mark that was released to them: it is not new any more. */
export async function noteSeen(deps: Deps, actor: Actor, slug: string): Promise<Result<null, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const discussion = door.value.record.id;
  await noteMarkSeen(deps.db, actor.id, discussion, deps.now);
  await seeNotices(deps.db, actor.id, { discussion, kinds: ['mark'] }, deps.now);
  return ok(null);
}
