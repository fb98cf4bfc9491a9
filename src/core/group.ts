/**
 * The rows of each key, in the order they came.
 * @example groupBy([1, 2, 3], (n) => n % 2) // Map { 1 => [1, 3], 0 => [2] }
 */
export function groupBy<T, K>(rows: readonly T[], keyOf: (row: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const group = groups.get(key);
    if (group) group.push(row);
    else groups.set(key, [row]);
  }
  return groups;
}
