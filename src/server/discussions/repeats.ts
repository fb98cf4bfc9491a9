import { isStaff, type PersonId, type PostId } from '@/core/ids';
import { repeatOf, type Earlier } from '@/core/substance/repeated';
import { plainTexts, type PostOutline, type PostRecord } from '@/db/queries/posts';
import type { Deps } from '../deps';

/** A writer's other replies in a discussion that stand, each with whom it answers. */
export async function earlierReplies(
  deps: Deps,
  posts: readonly PostOutline[],
  writer: PersonId,
  answering: PostId | null,
): Promise<(Earlier & { post: PostId })[]> {
  const names = new Map(posts.map((p) => [p.id, p.author.name]));
  const theirs = posts.filter(
    (p) =>
      p.kind === 'reply' &&
      p.author.id === writer &&
      p.parent !== null &&
      p.parent !== answering &&
      !p.withdrawn &&
      !p.hidden,
  );
  const texts = await plainTexts(
    deps.db,
    theirs.map((p) => p.id),
  );
  return theirs.map((p) => ({
    post: p.id,
    name: (p.parent === null ? null : names.get(p.parent)) ?? 'a classmate',
    text: texts.get(p.id) ?? '',
  }));
}

/** For staff: of the replies that are read, those that are nearly another reply of their writer, with whom that one answers. */
export async function repeatsAmong(
  deps: Deps,
  staff: boolean,
  posts: readonly PostOutline[],
  read: readonly PostRecord[],
): Promise<Map<PostId, string>> {
  const found = new Map<PostId, string>();
  if (!staff) return found;
  const replies = read.filter((p) => p.kind === 'reply' && !isStaff(p.author.role));
  for (const writer of new Set(replies.map((p) => p.author.id))) {
    const all = await earlierReplies(deps, posts, writer, null);
    for (const post of replies.filter((p) => p.author.id === writer)) {
      const others = all.filter((e) => e.post !== post.id);
      const repeat = others.length ? repeatOf(post.plain, others) : null;
      if (repeat) found.set(post.id, repeat.name);
    }
  }
  return found;
}
