/** What the list of a conversation can be narrowed to; the address names it. */
export const THREAD_FILTERS = [
  'worth',
  'all',
  'unread',
  'no-replies',
  'yours',
  'to-you',
  'bookmarked',
] as const;
export type ThreadFilter = (typeof THREAD_FILTERS)[number];
