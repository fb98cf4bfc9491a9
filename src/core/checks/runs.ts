const made = new WeakMap<object, unknown>();

/**
 * What is made of something that does not change, once for each such thing.
 * @example memo(readings, () => runsOf(readings)) // made at the first call, the same object at the next
 */
export function memo<T>(of: object, make: () => T): T {
  const before = made.get(of);
  if (before !== undefined) return before as T;
  const now = make();
  made.set(of, now);
  return now;
}
