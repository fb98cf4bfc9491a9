import { storable } from '@/core/document/document';
import { ok, type Result } from '@/core/result';
import { putRemark } from '@/db/queries/kept-remarks';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from '../desk/enter';

/** Keeps a remark of one's own, in whichever course one teaches it is written. */
export async function keepRemark(
  deps: Deps,
  actor: Actor,
  slug: string,
  { key, body }: { key: number; body: string },
): Promise<Result<null, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  await putRemark(deps.db, actor.id, key, storable(body).trim());
  return ok(null);
}
