import type { z } from 'zod';
import type { markSchema } from '@/contract/conversation';
import type { PostMarks } from '@/core/posts/post-marks';
import { postId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { postMarks, putMark, takeMark } from '@/db/queries/post-marks';
import { enterDiscussion, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';

const NONE: PostMarks = { wellSaid: 0, saidByMe: false, bookmarked: false };

/**
 * Says "well said" of a post, or keeps it for oneself, or takes that back. Only of what one may read; of one's own, and of
 * what is gone, nothing is said well.
 */
export async function markPost(
  deps: Deps,
  actor: Actor,
  slug: string,
  post: number,
  { kind, on }: z.infer<typeof markSchema>,
): Promise<Result<PostMarks, NotFound | { code: 'own-post' } | { code: 'gone' }>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const [found] = await visiblePosts(deps.db, actor, door.value, [postId(post)]);
  if (!found) return fail({ code: 'not-found' });
  if (on && kind === 'well-said') {
    if (found.author.id === actor.id) return fail({ code: 'own-post' });
    if (found.withdrawn || found.hidden) return fail({ code: 'gone' });
  }
  const place = { course: record.course.id, discussion: record.id };
  const mark = { ...place, post: found.id, person: actor.id, kind };
  await (on ? putMark(deps.db, mark, deps.now) : takeMark(deps.db, mark));
  return ok((await postMarks(deps.db, place, actor.id)).get(found.id) ?? NONE);
}
