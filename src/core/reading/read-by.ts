/** From so many readers on their number is said; of fewer it could say who. */
const FEWEST_READERS = 5;

/**
 * By how many classmates a post was read, as its author is told; null below five, and never who.
 * @example readBy(4) // null
 */
export const readBy = (readers: number): number | null => (readers >= FEWEST_READERS ? readers : null);
