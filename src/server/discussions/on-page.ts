import type { PostId } from '@/core/ids';
import { pageOf, type Arrangement, type Page } from '@/core/posts/arrange';
import { isOfPosts } from '@/core/posts/filters';
import type { Listed } from './lines';
import { threadOf, type LoadedConversation, type PostBranch } from './loaded-conversation';

/** So many are on one page: of whole posts, and of headlines. */
const POSTS_A_PAGE = 40;
const HEADLINES_A_PAGE = 100;
/** Beside an open thread, more single posts are listed by nobody: the other arrangements have pages. */
const MOST_LINES = 200;
/** What one page of a conversation holds. */
type OnPage = {
  page: Page;
  /** The posts whose texts are read here, in order. */
  withText: PostId[];
  /** What has a line here: threads by their response, or posts. */
  lines: readonly PostBranch[];
  ofPosts: boolean;
  /** The way from post to post. */
  walk: PostId[];
};

const idsOf = (branches: readonly PostBranch[]) => branches.map((b) => b.post.id);

/** What stands on the page: the open thread beside the list, a page of posts, or of headlines with the one that is open. */
export function onPage(
  loaded: LoadedConversation,
  list: Listed,
  asked: { as: Arrangement; root: PostBranch | undefined; at: PostId | null; page: number | null },
): OnPage {
  const { as, root, at } = asked;
  const ofPosts = as !== 'threads' || isOfPosts(list.filter);
  const walk = ofPosts ? idsOf(list.shown) : list.shown.flatMap((tree) => idsOf(threadOf(loaded, tree)));
  const order = as === 'threads' ? idsOf(root ? threadOf(loaded, root) : []) : walk;
  const page = pageOf(order.length, as === 'headlines' ? HEADLINES_A_PAGE : POSTS_A_PAGE, {
    page: asked.page,
    at: at === null ? 0 : order.indexOf(at),
  });
  const here = order.slice(page.from, page.to);
  if (as === 'headlines')
    return {
      page,
      withText: at === null ? [] : [at],
      lines: list.shown.slice(page.from, page.to),
      ofPosts,
      walk,
    };
  const lines = as === 'time' ? [] : list.shown.slice(0, ofPosts ? MOST_LINES : undefined);
  return { page, withText: here, lines, ofPosts, walk };
}
