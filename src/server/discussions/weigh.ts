import type { NotRead } from '@/contract/not-read';
import type { Weighed } from '@/core/substance/meant';
import { ok, type Result } from '@/core/result';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';

/**
 * How a reply that is being written lies to what it answers, by its meaning: for who writes it in a room they may enter. All
 * three texts are theirs to see and come from their page; nothing is looked up and nothing is kept.
 */
export async function weighReply(
  deps: Deps,
  actor: Actor,
  slug: string,
  texts: Weighed,
): Promise<Result<{ meant: number[] }, NotFound | NotRead>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const read = await readFor(deps, actor, 'meant', texts);
  return read.ok ? ok({ meant: read.value }) : read;
}
