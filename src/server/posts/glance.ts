import type { Glance } from '@/contract/conversation';
import { postId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { enterRoom, type NotFound } from '../access/enter';
import { openingSeal } from '../access/seal-opening';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';

const BEGINNING = 280;

/** The beginning of a post of a discussion, for whoever may read it; to others there is no such post. */
export async function glance(
  deps: Deps,
  actor: Actor,
  slug: string,
  post: number,
): Promise<Result<Glance, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const entered = await openingSeal(deps, actor, door.value);
  const [found] = await visiblePosts(deps.db, actor, entered, [postId(post)]);
  if (!found) return fail({ code: 'not-found' });
  const { plain } = found;
  return ok({
    author: found.author.name,
    kind: found.kind,
    title: found.title,
    beginning: plain.length > BEGINNING ? `${plain.slice(0, BEGINNING).replace(/\s+\S*$/u, '')}…` : plain,
    sharedAt: found.sharedAt,
    zone: door.value.record.timetable.zone,
    gone: found.withdrawn || found.hidden,
  });
}
