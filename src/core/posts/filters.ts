/** What a conversation can be narrowed to; the address names it. */
export const THREAD_FILTERS = [
  'worth',
  'all',
  'unread',
  'no-replies',
  'yours',
  'followed',
  'to-you',
  'staff',
  'pictured',
  'person',
  'bookmarked',
  'found',
] as const;
export type ThreadFilter = (typeof THREAD_FILTERS)[number];

/** Of these the list shows the very posts; of the others the threads they stand in. */
const OF_POSTS: readonly ThreadFilter[] = ['to-you', 'staff', 'pictured', 'person', 'bookmarked', 'found'];
/** @example a filter that asks of single posts (one's bookmarks, say) and not of threads: true */
export const isOfPosts = (filter: ThreadFilter) => OF_POSTS.includes(filter);
