import type { PostId } from '../ids';

/** What a tree needs to know of a post. */
export type TreePost = { id: PostId; parent: PostId | null; sharedAt: number };
export type Branch<P extends TreePost> = { post: P; depth: number; replies: Branch<P>[] };

/**
 * The threads of a discussion: every response with its replies, oldest first. A reply whose parent is not among
 * the posts (withheld from this reader) is left out with all beneath it: it would tell what it answers.
 */
export function threads<P extends TreePost>(posts: readonly P[]): Branch<P>[] {
  const inOrder = [...posts].sort((a, b) => a.sharedAt - b.sharedAt || a.id - b.id);
  const under = new Map<PostId | null, P[]>();
  for (const post of inOrder) under.set(post.parent, [...(under.get(post.parent) ?? []), post]);
  const grow = (parent: PostId | null, depth: number): Branch<P>[] =>
    (under.get(parent) ?? []).map((post) => ({ post, depth, replies: grow(post.id, depth + 1) }));
  return grow(null, 0);
}

/** A thread in reading order. */
export const inReadingOrder = <P extends TreePost>(branch: Branch<P>): Branch<P>[] => [
  branch,
  ...branch.replies.flatMap(inReadingOrder),
];
