import fc from 'fast-check';
import { dealAtRandom, dealByTimes, dealLeads, dealSides, timesAsNumber, TIMES } from '@/core/desk/groups';

/** Chance that comes out the same each time for one seed. */
const chance = (seed: number) => () => {
  seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
  return seed / 2 ** 32;
};
const seeds = fc.integer({ min: 1, max: 2 ** 31 });
const people = fc.uniqueArray(fc.string({ minLength: 1, maxLength: 4 }), { maxLength: 40 });
const groupCounts = fc.integer({ min: 1, max: 9 });
const times = fc.array(fc.integer({ min: 0, max: TIMES - 1 }), { maxLength: 12 });

const isFair = (groups: string[][]) => {
  const sizes = groups.map((g) => g.length);
  return Math.max(...sizes) - Math.min(...sizes) <= 1;
};
const everybody = (groups: Iterable<string[]>) => [...groups].flat().sort();

/** Times that all of a group said, worked out one by one. */
const together = (group: string[], said: Map<string, number[]>) =>
  Array.from({ length: TIMES }, (_, t) => t).filter((t) =>
    group.every((id) => {
      const theirs = said.get(id) ?? [];
      return theirs.length === 0 || theirs.includes(t);
    }),
  ).length;

describe('groups that are dealt', () => {
  it('hold everybody once, and none is two larger than another', () => {
    fc.assert(
      fc.property(people, groupCounts, seeds, (who, n, seed) => {
        const dealt = dealAtRandom(who, n, chance(seed));
        expect(everybody(dealt)).toEqual([...who].sort());
        expect(dealt).toHaveLength(n);
        expect(isFair(dealt)).toBe(true);
      }),
    );
  });

  it('by times are as fair, and never have fewer groups with a time in common than chance gave', () => {
    fc.assert(
      fc.property(people, groupCounts, seeds, fc.infiniteStream(times), (who, n, seed, stream) => {
        const said = new Map(who.map((id) => [id, stream.next().value ?? []]));
        const asked = who.map((id) => ({ id, times: timesAsNumber(said.get(id) ?? []) }));
        const byTimes = dealByTimes(asked, n, chance(seed));
        const byChance = dealAtRandom(who, n, chance(seed));
        const without = (groups: string[][]) => groups.filter((g) => together(g, said) === 0).length;
        expect(everybody(byTimes)).toEqual([...who].sort());
        expect(isFair(byTimes)).toBe(true);
        expect(without(byTimes)).toBeLessThanOrEqual(without(byChance));
      }),
      { numRuns: 60 },
    );
  });

  it('by times bring early and late people apart', () => {
    const early = ['a', 'b', 'c'].map((id) => ({ id, times: timesAsNumber([0, 3]) }));
    const late = ['x', 'y', 'z'].map((id) => ({ id, times: timesAsNumber([2, 5]) }));
    const dealt = dealByTimes([...early, ...late], 2, chance(7)).map((g) => g.sort().join(''));
    expect(dealt.sort()).toEqual(['abc', 'xyz']);
  });
});

describe('what is given to students', () => {
  it('sides come out even, counting those that were given before', () => {
    fc.assert(
      fc.property(people, fc.nat(20), fc.nat(20), seeds, (who, first, second, seed) => {
        const dealt = [...dealSides(who, { first, second }, chance(seed)).values()];
        const ones = first + dealt.filter((s) => s === 1).length;
        const twos = second + dealt.filter((s) => s === 2).length;
        expect(dealt).toHaveLength(who.length);
        expect(Math.abs(ones - twos)).toBeLessThanOrEqual(Math.max(1, Math.abs(first - second) - who.length));
      }),
    );
  });

  it('nobody leads again before everybody has led', () => {
    fc.assert(
      fc.property(
        people.filter((p) => p.length > 0),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 3 }),
        seeds,
        (who, weeks, each, seed) => {
          const discussions = Array.from({ length: weeks }, (_, i) => `w${i}`);
          const dealt = dealLeads(who, new Map(), discussions, each, chance(seed));
          const count = new Map(who.map((id) => [id, 0]));
          for (const leaders of dealt.values())
            for (const id of leaders) count.set(id, (count.get(id) ?? 0) + 1);
          const often = [...count.values()];
          expect(Math.max(...often) - Math.min(...often)).toBeLessThanOrEqual(1);
          for (const leaders of dealt.values())
            expect(new Set(leaders).size).toBe(Math.min(each, who.length));
        },
      ),
    );
  });
});
