import type { z } from 'zod';
import type { followSchema } from '@/contract/conversation';
import { postId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { setFollow } from '@/db/queries/follows';
import { enterRoom, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';

/** Follows a discussion, or a thread of it that one may read; or does so no more. */
export async function follow(
  deps: Deps,
  actor: Actor,
  slug: string,
  { thread, on }: z.infer<typeof followSchema>,
): Promise<Result<null, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  if (thread !== null) {
    const [response] = await visiblePosts(deps.db, actor, door.value, [postId(thread)]);
    if (response?.kind !== 'response') return fail({ code: 'not-found' });
  }
  const place = { course: record.course.id, discussion: record.id };
  await setFollow(deps.db, place, actor.id, thread === null ? null : postId(thread), on);
  return ok(null);
}
