import type { Doc } from '@/core/document/nodes';
import { filesIn, withKnownFiles } from '@/core/document/attachments';
import { isStaff, postId } from '@/core/ids';
import { filesOfCourse } from '@/db/queries/files';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { enterQuestions } from './questions';

/**
 * An answer as the beginning of an announcement: under what was asked, and with those of its files that are whoever's announces it. Only what
 * everybody may read already, and only of staff; null of everything else.
 */
export async function toAnnounce(
  deps: Deps,
  actor: Actor,
  course: string,
  post: number,
): Promise<{ title: string; doc: Doc } | null> {
  const door = await enterQuestions(deps, actor, course);
  if (!door.ok || !door.value.entered.staff) return null;
  const { entered } = door.value;
  const [answer] = await visiblePosts(deps.db, actor, entered, [postId(post)]);
  const [root] = answer ? await visiblePosts(deps.db, actor, entered, [answer.thread]) : [];
  const open = [answer, root].every(
    (p) => p && p.privateTo === null && !p.grouped && !p.withdrawn && !p.hidden,
  );
  // What a classmate wrote is theirs to say.
  if (!answer || !root || !open || !isStaff(answer.author.role)) return null;
  const own = await filesOfCourse(deps.db, door.value.course.id, filesIn(answer.doc), actor.id);
  return {
    title: (root.title || root.opening).slice(0, 200),
    doc: withKnownFiles(answer.doc, new Map(own.map((f) => [f.id, f]))),
  };
}
