/**
 * Remembers the answers of a pure function of texts and numbers, at most `limit` of them (then it begins anew). Meant for answers
 * that cost far more than a look-up, such as those of the time-zone library; nobody can see that it remembers.
 *
 * @example remember((zone: string) => costly(zone), 100) // asks `costly` once for each zone
 */
export function remember<A extends readonly (string | number)[], T>(
  work: (...args: A) => T,
  limit: number,
): (...args: A) => T {
  const known = new Map<string, T>();
  return (...args) => {
    const key = args.join('\n');
    const found = known.get(key);
    if (found !== undefined) return found;
    const answer = work(...args);
    if (known.size >= limit) known.clear();
    known.set(key, answer);
    return answer;
  };
}
