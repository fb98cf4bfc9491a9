/** What somebody chose for a thread or a discussion; null where nothing was chosen. */
export type Chosen = boolean | null;

/**
 * Whether one follows: as one chose, else by what one has shared there. A response follows the discussion it stands in, any
 * post the thread it stands in.
 *
 * @example isFollowed(null, true) // true: one has shared there and chosen nothing
 */
export const isFollowed = (chosen: Chosen, shared: boolean): boolean => chosen ?? shared;
