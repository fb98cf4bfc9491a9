import { ok, type Result } from '@/core/result';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** The room in which a person's next step in a discussion lies. */
export async function roomToOpen(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<'response' | 'conversation' | 'part', NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { staff, responded, state, record } = door.value;
  if (staff || responded || record.brief.response.asked === false) return ok('conversation');
  return ok(state === 'closed' ? 'part' : 'response');
}
