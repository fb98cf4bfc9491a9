import type { PostId } from '../ids';

/** What a tree needs to know of a post. */
export type TreePost = { id: PostId; parent: PostId | null; sharedAt: number };
export type Branch<P extends TreePost> = { post: P; depth: number; replies: Branch<P>[] };

/**
 * The threads of a discussion: every response with its replies, oldest first. A reply whose parent is not among
 * the posts (withheld from this reader) is left out with all beneath it: it would tell what it answers.
 *
 * @example a response and an answer to it: one branch with one branch in it
 */
export function threads<P extends TreePost>(posts: readonly P[]): Branch<P>[] {
  const inOrder = [...posts].sort((a, b) => a.sharedAt - b.sharedAt || a.id - b.id);
  const under = new Map<PostId | null, P[]>();
  for (const post of inOrder) {
    const beside = under.get(post.parent);
    if (beside) beside.push(post);
    else under.set(post.parent, [post]);
  }
  const roots = (under.get(null) ?? []).map((post): Branch<P> => ({ post, depth: 0, replies: [] }));
  // Without recursion: a thread may be as deep as two people like to answer each other.
  const open = [...roots];
  for (let branch = open.pop(); branch; branch = open.pop()) {
    for (const post of under.get(branch.post.id) ?? []) {
      const reply = { post, depth: branch.depth + 1, replies: [] };
      branch.replies.push(reply);
      open.push(reply);
    }
  }
  return roots;
}

/**
 * A thread in reading order.
 * @example of a response with two replies: the response, the first, what answers the first, the second
 */
export function inReadingOrder<P extends TreePost>(branch: Branch<P>): Branch<P>[] {
  const found: Branch<P>[] = [];
  // From the last to the first, so that the first is taken up first.
  const waiting = [branch];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    found.push(next);
    for (let i = next.replies.length - 1; i >= 0; i -= 1) {
      const reply = next.replies[i];
      if (reply) waiting.push(reply);
    }
  }
  return found;
}
