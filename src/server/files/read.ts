import { z } from 'zod';
import { fail, ok, type Result } from '@/core/result';
import { fileById, postsCarrying } from '@/db/queries/files';
import { enterDiscussion, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor } from '../deps';
import type { FileDeps } from './receive';

export type ReadableFile = { sha256: string; name: string; mediaType: string; bytes: number };

/**
 * A file for somebody who may see it: its owner, and whoever may read a post that carries it. Staff also see what only an
 * earlier version of a post carried. There is no other way to a file, and to others there is no such file.
 */
export async function readableFile(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<ReadableFile, NotFound>> {
  const nothing = fail({ code: 'not-found' as const });
  const file = z.uuid().safeParse(id).success ? await fileById(deps.db, id) : null;
  if (!file || file.sha256 === null || file.mediaType === null || file.bytes === null) return nothing;
  const { sha256, name, mediaType, bytes } = file;
  const found = ok({ sha256, name, mediaType, bytes });
  if (file.owner === actor.id) return found;
  for (const carrying of await postsCarrying(deps.db, id)) {
    const door = await enterDiscussion(deps, actor, carrying.discussion);
    if (!door.ok) continue;
    const { staff } = door.value;
    const [post] = await visiblePosts(deps.db, actor, door.value, [carrying.post]);
    if (post && (staff || (carrying.now && !post.withdrawn && !post.hidden))) return found;
  }
  return nothing;
}
