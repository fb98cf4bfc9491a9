import { questionAt, questionsAt } from '@/contract/addresses';
import { postId } from '@/core/ids';
import { numberOf } from '@/db/queries/questions';
import { enterRoom } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';

/**
 * Where a post is read that stands among the questions of a course: what leads to posts leads to the conversation of their room, and knows of
 * no questions. Null where the room is a discussion.
 */
export async function placeOfQuestion(
  deps: Deps,
  actor: Actor,
  slug: string,
  post: number | null,
): Promise<string | null> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok || !door.value.record.asks) return null;
  const course = door.value.record.course.slug;
  const [found] = post === null ? [] : await visiblePosts(deps.db, actor, door.value, [postId(post)]);
  return found
    ? questionAt(course, await numberOf(deps.db, found.id), { post: found.id })
    : questionsAt(course);
}
