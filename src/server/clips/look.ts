import { fail, ok, type Result } from '@/core/result';
import { clipOf, type ClipRecord } from '@/db/queries/clips';
import type { NotFound } from '../access/enter';
import type { Actor } from '../deps';
import { visibleFile } from '../files/read';
import type { FileDeps } from '../files/receive';

/** A clip for somebody who may see it, whether or not it can be played yet. */
export async function visibleClip(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<ClipRecord, NotFound>> {
  const visible = await visibleFile(deps, actor, id);
  if (!visible.ok) return visible;
  const clip = await clipOf(deps.db, id);
  return clip && clip.state !== 'recording' ? ok(clip) : fail({ code: 'not-found' });
}
