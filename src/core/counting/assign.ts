/** A reply that could fill an obligation: to whom, on which day, and how good it is (lower is better). */
export type Candidate = { key: number; person: string; day: string; tier: number };

export type AssignRules = { count: number; distinctPeers: boolean; distinctDays?: number };

/**
 * Chooses which replies stand for the N reply obligations (rule 3), candidates given in order of preference.
 *
 * With different days asked for, each day gives one place and `count - distinctDays` places are free of the rule, so
 * a set fits exactly when the rest can still be completed. The choice is a bipartite matching of classmates to
 * places, grown by augmenting paths: it holds as many as possible, a reply added later never takes a place away from
 * a classmate who had one, and a better reply is never given up to seat a worse one.
 *
 * @returns the keys of the chosen candidates
 * @example two classmates answered on Monday, one of them again on Tuesday, two days asked for:
 *   the other's Monday and this one's Tuesday are chosen.
 */
export function assign(candidates: readonly Candidate[], rules: AssignRules): Set<number> {
  const days = Math.min(rules.distinctDays ?? 0, rules.count);
  const free = rules.count - days;
  const places = (c: Candidate) => (days > 0 ? [`day ${c.day}`, 'free'] : ['free']);
  const capacity = (place: string) => (place === 'free' ? free : 1);

  const offers = new Map<string, Candidate[]>();
  const seat = new Map<string, { candidate: Candidate; place: string }>();
  const taken = new Map<string, Set<string>>();

  const sit = (person: string, candidate: Candidate, place: string) => {
    const before = seat.get(person);
    if (before) taken.get(before.place)?.delete(person);
    seat.set(person, { candidate, place });
    taken.set(place, (taken.get(place) ?? new Set()).add(person));
  };

  const settle = (person: string, visited: Set<string>): boolean => {
    const seated = seat.get(person);
    for (const candidate of offers.get(person) ?? []) {
      if (seated && candidate.tier > seated.candidate.tier) continue;
      for (const place of places(candidate)) {
        if (visited.has(place)) continue;
        visited.add(place);
        const there = taken.get(place) ?? new Set<string>();
        const room = there.size < capacity(place);
        if (room || [...there].some((other) => other !== person && settle(other, visited))) {
          sit(person, candidate, place);
          return true;
        }
      }
    }
    return false;
  };

  for (const candidate of candidates) {
    const person = rules.distinctPeers ? candidate.person : String(candidate.key);
    offers.set(person, [...(offers.get(person) ?? []), candidate]);
    for (const waiting of offers.keys()) {
      if (seat.size >= rules.count) break;
      if (!seat.has(waiting)) settle(waiting, new Set());
    }
  }
  return new Set([...seat.values()].map((s) => s.candidate.key));
}
