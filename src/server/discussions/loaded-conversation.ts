import type { PersonId, PostId } from '@/core/ids';
import { isFollowed } from '@/core/posts/following';
import type { Reactions } from '@/core/posts/reactions';
import { inReadingOrder, threads, type Branch } from '@/core/posts/thread';
import type { PostOutline } from '@/db/queries/posts';
import type { Entered } from '../access/enter';

export type PostBranch = Branch<PostOutline>;

/** The posts of a conversation that one may read, with how they hang together and how each stands to the reader. */
export type LoadedConversation = {
  reader: PersonId;
  entered: Entered;
  posts: readonly PostOutline[];
  trees: readonly PostBranch[];
  branches: ReadonlyMap<PostId, PostBranch>;
  /** Every thread in reading order, by its response. */
  threads: ReadonlyMap<PostId, readonly PostBranch[]>;
  /** The response in whose thread a post stands. */
  rootOf: ReadonlyMap<PostId, PostId>;
  reactions: ReadonlyMap<PostId, Reactions>;
  /** Threads the reader follows, by their response. */
  followed: ReadonlySet<PostId>;
};

/** Lays the posts of a conversation out as threads, for one reader. */
export function loadedFrom(
  reader: PersonId,
  entered: Entered,
  posts: readonly PostOutline[],
  reactions: LoadedConversation['reactions'],
  chosen: ReadonlyMap<PostId, boolean>,
): LoadedConversation {
  const trees = threads(posts);
  const branches = new Map<PostId, Branch<PostOutline>>();
  const rootOf = new Map<PostId, PostId>();
  const followed = new Set<PostId>();
  const inOrder = new Map<PostId, readonly Branch<PostOutline>[]>();
  for (const tree of trees) {
    let spoke = false;
    const thread = inReadingOrder(tree);
    inOrder.set(tree.post.id, thread);
    for (const branch of thread) {
      branches.set(branch.post.id, branch);
      rootOf.set(branch.post.id, tree.post.id);
      spoke ||= branch.post.author.id === reader;
    }
    if (isFollowed(chosen.get(tree.post.id) ?? null, spoke)) followed.add(tree.post.id);
  }
  return { reader, entered, posts, trees, branches, threads: inOrder, rootOf, reactions, followed };
}

const OPENING = 110;
/** The title, or the first words of the text, whole ones. */
export const openingOf = (post: Pick<PostOutline, 'title' | 'opening'>) =>
  post.title ||
  (post.opening.length > OPENING
    ? `${post.opening.slice(0, OPENING).replace(/\s+\S*$/u, '')}…`
    : post.opening);

/** A thread in reading order. */
export const threadOf = (loaded: LoadedConversation, tree: PostBranch): readonly PostBranch[] =>
  loaded.threads.get(tree.post.id) ?? [];

/** Whether a post is still there to be read. */
export const stands = (p: PostOutline) => !p.withdrawn && !p.hidden;

export const isUnreadFor = (p: PostOutline, reader: PersonId) =>
  p.author.id !== reader && stands(p) && !p.read;
