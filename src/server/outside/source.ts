import { fail, ok, type Result } from '@/core/result';
import { sourceOf } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterOutside } from './enter';

/** The text of an outside prompt as it was brought in, and from what. */
export async function promptSource(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<{ name: string; whole: string }, NotFound>> {
  const door = await enterOutside(deps, actor, slug);
  if (!door.ok) return door;
  const source = await sourceOf(deps.db, door.value.record.id);
  return source ? ok(source) : fail({ code: 'not-found' });
}
