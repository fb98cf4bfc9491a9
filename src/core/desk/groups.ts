/** A third of a day in the week: Monday morning is 0, Sunday evening 20. As a number, each time is one bit. */
export const TIMES_OF_DAY = ['morning', 'afternoon', 'evening'] as const;
export const TIMES = 7 * TIMES_OF_DAY.length;
const ALL_TIMES = 2 ** TIMES - 1;

/**
 * Times as one number, so that what two people have in common is one step.
 * @example timesAsNumber([0, 20]) // 1048577
 */
export const timesAsNumber = (times: readonly number[]): number =>
  times.reduce((all, t) => (t >= 0 && t < TIMES ? all | (1 << t) : all), 0);

const howMany = (times: number): number => {
  let n = 0;
  for (let rest = times; rest; rest &= rest - 1) n += 1;
  return n;
};

/** @example shuffled([1, 2, 3], Math.random) // all three, in some order */
export function shuffled<T>(all: readonly T[], random: () => number): T[] {
  const out = [...all];
  for (let i = out.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j] as T, out[i] as T];
  }
  return out;
}

/**
 * Deals people over so many groups by chance. Sizes differ by one at most, and there is never a group of nobody while there are people
 * enough.
 *
 * @example dealAtRandom(['a', 'b', 'c'], 2, random) // two groups, of two and of one
 */
export function dealAtRandom(people: readonly string[], groups: number, random: () => number): string[][] {
  const out = Array.from({ length: Math.max(1, groups) }, (): string[] => []);
  shuffled(people, random).forEach((id, i) => out[i % out.length]?.push(id));
  return out;
}

export type WithTimes = { id: string; times: number };

/**
 * At how many times of the week all of these can work; whoever said nothing always can, and nobody together never.
 * @example commonTimes([timesAsNumber([0, 1]), timesAsNumber([1, 2]), 0]) // 1
 */
export const commonTimes = (times: readonly number[]): number =>
  times.length ? howMany(times.reduce((all, t) => all & (t || ALL_TIMES), ALL_TIMES)) : 0;

/** Swaps are tried as long as one helps, and so many rounds at most. */
const MOST_ROUNDS = 12;

/**
 * Deals people over so many groups so that those of a group can work at the same times. Whoever said nothing fits everywhere. Begun
 * by chance and made better by swapping two people while that gives more groups a time in common, or more of it: a good deal, not
 * the best there is.
 *
 * @returns the groups, whose sizes differ by one at most
 * @example two who work in the morning and two in the evening, two groups: each pair is one
 */
export function dealByTimes(people: readonly WithTimes[], groups: number, random: () => number): string[][] {
  const known = new Map(people.map((p) => [p.id, p] as const));
  const dealt = dealAtRandom([...known.keys()], groups, random).map((ids) =>
    ids.flatMap((id) => known.get(id) ?? []),
  );
  // A group without any time in common is worse than one that has little more.
  const worth = (group: readonly WithTimes[]) => {
    const n = commonTimes(group.map((p) => p.times));
    return n === 0 ? -TIMES : n;
  };
  const swapHelps = (a: WithTimes[], b: WithTimes[]): boolean => {
    const before = worth(a) + worth(b);
    for (let i = 0; i < a.length; i += 1)
      for (let j = 0; j < b.length; j += 1) {
        const [one, other] = [a[i], b[j]];
        if (!one || !other || one.times === other.times) continue;
        [a[i], b[j]] = [other, one];
        if (worth(a) + worth(b) > before) return true;
        [a[i], b[j]] = [one, other];
      }
    return false;
  };
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    let better = false;
    for (let a = 0; a < dealt.length; a += 1)
      for (let b = a + 1; b < dealt.length; b += 1)
        while (swapHelps(dealt[a] ?? [], dealt[b] ?? [])) better = true;
    if (!better) break;
  }
  return dealt.map((group) => group.map((p) => p.id));
}

/**
 * Gives each of these people a side, so that the sides of all (those given before among them) differ by one at most where that can be.
 *
 * @example nobody before, three people: two of one side and one of the other
 */
export function dealSides(
  people: readonly string[],
  before: { first: number; second: number },
  random: () => number,
): Map<string, 1 | 2> {
  const count = { 1: before.first, 2: before.second };
  return new Map(
    shuffled(people, random).map((id) => {
      const side = count[1] === count[2] ? (random() < 0.5 ? 1 : 2) : count[1] < count[2] ? 1 : 2;
      count[side] += 1;
      return [id, side] as const;
    }),
  );
}

/**
 * Who leads each of these discussions: whoever has led least, by chance among equals, so that nobody leads again before everybody has.
 *
 * @param led how often each has led before
 * @example three people, two discussions of one leader each: two different people
 */
export function dealLeads(
  people: readonly string[],
  led: ReadonlyMap<string, number>,
  discussions: readonly string[],
  each: number,
  random: () => number,
): Map<string, string[]> {
  const count = new Map(people.map((id) => [id, led.get(id) ?? 0]));
  return new Map(
    discussions.map((discussion) => {
      const chosen = shuffled(people, random)
        .sort((a, b) => (count.get(a) ?? 0) - (count.get(b) ?? 0))
        .slice(0, each);
      for (const id of chosen) count.set(id, (count.get(id) ?? 0) + 1);
      return [discussion, chosen] as const;
    }),
  );
}
