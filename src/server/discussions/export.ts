import { isStaff } from '@/core/ids';
import type { ExportedDiscussion, ExportedPost } from '@/core/formats/discussion-export';
import { threadsInOrder } from '@/core/posts/arrange';
import { inReadingOrder, threads } from '@/core/posts/thread';
import { fail, ok, type Result } from '@/core/result';
import type { PostRecord } from '@/db/queries/posts';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { openingSeal } from '../access/seal-opening';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import type { FileDeps } from '../files/receive';
import { travellingPictures } from '../formats/travelling';

/** Posts as they leave Pulpit: what this person may read now, in reading order. */
export async function postsToTake(deps: Deps, actor: Actor, entered: Entered): Promise<ExportedPost[]> {
  const posts = await visiblePosts(deps.db, actor, await openingSeal(deps, actor, entered));
  return threadsInOrder(threads(posts))
    .flatMap(inReadingOrder)
    .map(({ post, depth }) => toTake(post, depth));
}

const toTake = (post: PostRecord, depth: number): ExportedPost => ({
  id: post.id,
  depth,
  kind: post.kind,
  author: post.author.name,
  staff: isStaff(post.author.role),
  answers: post.parent,
  privateTo: post.privateTo?.name ?? null,
  sharedAt: post.sharedAt,
  changedAt: post.changedAt,
  title: post.title,
  doc: post.doc,
  gone: post.withdrawn ? 'withdrawn' : post.hidden ? 'hidden' : null,
});

/** More bytes of pictures are not put into one page: the rest is described in words. */
const MOST_PICTURES = 30_000_000;

/** Pictures of posts as they stand in a page that needs nothing else. */
export async function picturesToTake(
  deps: FileDeps,
  actor: Actor,
  posts: readonly ExportedPost[],
): Promise<ReadonlyMap<string, string>> {
  const found = new Map<string, string>();
  let bytes = 0;
  for (const { doc, gone } of posts) {
    if (gone) continue;
    for (const [id, { mediaType, content }] of await travellingPictures(deps, actor, doc)) {
      bytes += content.length;
      if (bytes > MOST_PICTURES) return found;
      found.set(id, `data:${mediaType};base64,${Buffer.from(content).toString('base64')}`);
    }
  }
  return found;
}

/** A discussion to take along: exactly what its page would show this person. Behind the seal there is none. */
export async function discussionToTake(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<ExportedDiscussion, NotFound | { code: 'sealed' }>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record, sealed } = door.value;
  if (sealed) return fail({ code: 'sealed' });
  return ok({
    course: `${record.course.code} ${record.course.title}`,
    title: record.title,
    week: record.week.number,
    prompt: record.prompt,
    at: deps.now,
    posts: await postsToTake(deps, actor, door.value),
  });
}
