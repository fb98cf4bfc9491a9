import type { z } from 'zod';
import type { reactionSchema } from '@/contract/conversation';
import type { Reactions } from '@/core/posts/reactions';
import { postId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { reactionsOf, putReaction, takeReaction } from '@/db/queries/reactions';
import { enterRoom, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';

const NONE: Reactions = { wellSaid: 0, saidByMe: false, bookmarked: false };

/**
 * Says "well said" of a post, or keeps it for oneself, or takes that back. Only of what one may read; of one's own, and of
 * what is gone, nothing is said well.
 */
export async function reactToPost(
  deps: Deps,
  actor: Actor,
  slug: string,
  post: number,
  { kind, on }: z.infer<typeof reactionSchema>,
): Promise<Result<Reactions, NotFound | { code: 'own-post' } | { code: 'gone' }>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const [found] = await visiblePosts(deps.db, actor, door.value, [postId(post)]);
  if (!found) return fail({ code: 'not-found' });
  if (on && kind === 'well-said') {
    if (found.author.id === actor.id) return fail({ code: 'own-post' });
    if (found.withdrawn || found.hidden) return fail({ code: 'gone' });
  }
  const place = { course: record.course.id, discussion: record.id };
  const reaction = { ...place, post: found.id, person: actor.id, kind };
  await (on ? putReaction(deps.db, reaction, deps.now) : takeReaction(deps.db, reaction));
  return ok((await reactionsOf(deps.db, place, actor.id)).get(found.id) ?? NONE);
}
