/** What the list of a conversation can be narrowed to; the address names it. */
export const THREAD_FILTERS = ['all', 'unread', 'no-replies', 'yours'] as const;
export type ThreadFilter = (typeof THREAD_FILTERS)[number];
