/** Groups `from` to `to` (inclusive) of a longer row of groups. */
export type Window = { from: number; to: number };

/**
 * As many whole groups around one of them as fit on a page: that one always, then the next, then the ones before and
 * after by turns, until the next would make more than `limit` lines. A page thus costs the same however long the
 * course.
 *
 * @param sizes lines of each group, in order
 * @example windowAround([3, 3, 3, 3], 2, 9) // { from: 1, to: 3 }
 */
export function windowAround(sizes: readonly number[], at: number, limit: number): Window {
  const window = { from: at, to: at };
  let lines = sizes[at] ?? 0;
  const grow = (side: 'from' | 'to'): boolean => {
    const next = side === 'from' ? window.from - 1 : window.to + 1;
    const size = sizes[next];
    if (size === undefined || lines + size > limit) return false;
    window[side] = next;
    lines += size;
    return true;
  };
  for (let after = true, stuck = 0; stuck < 2; after = !after) {
    stuck = grow(after ? 'to' : 'from') ? 0 : stuck + 1;
  }
  return window;
}
