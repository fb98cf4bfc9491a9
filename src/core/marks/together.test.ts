import fc from 'fast-check';
import { rubricSchema } from '../rubric/rubric';
import { EMPTY_MARK, type Mark, type Scheme } from './mark';
import { differencesOf, stageOf } from './second';
import { shareOut, SHARED_BY, type ToMark } from './shares';

const people = fc.uniqueArray(fc.uuid(), { maxLength: 60 }).chain((ids) =>
  fc.tuple(
    ...ids.map((id) =>
      fc.record({
        id: fc.constant(id),
        name: fc.string({ maxLength: 8 }),
        group: fc.constantFrom(null, 'a', 'b', 'c'),
      }),
    ),
  ),
) as fc.Arbitrary<ToMark[]>;
const markers: fc.Arbitrary<string[]> = fc.uniqueArray(fc.constantFrom('holt', 'grey', 'ames', 'lund'), {
  minLength: 1,
});

describe('a class that is shared out', () => {
  const sizes = (all: Map<string, string>, of: readonly string[]) =>
    of.map((m) => [...all.values()].filter((x) => x === m).length);

  it('has everybody marked by one, and nobody by somebody else', () => {
    fc.assert(
      fc.property(people, markers, fc.constantFrom(...SHARED_BY), (class_, of, by) => {
        const out = shareOut(class_, of, by, () => 0.4);
        expect([...out.keys()].sort()).toEqual(class_.map((p) => p.id).sort());
        expect([...out.values()].every((m) => of.includes(m))).toBe(true);
      }),
    );
  });

  it('is even by letter and by chance', () => {
    fc.assert(
      fc.property(people, markers, fc.constantFrom('letter' as const, 'chance' as const), (all, of, by) => {
        const n = sizes(shareOut(all, of, by, Math.random), of);
        expect(Math.max(...n) - Math.min(...n)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('keeps a stretch of the alphabet together by letter, and groups together by group', () => {
    fc.assert(
      fc.property(people, markers, (all, of) => {
        const byLetter = shareOut(all, of, 'letter', Math.random);
        const order = [...all]
          .sort((a, b) => a.name.localeCompare(b.name, 'en') || (a.id < b.id ? -1 : 1))
          .map((p) => of.indexOf(byLetter.get(p.id) ?? ''));
        expect(order).toEqual([...order].sort((a, b) => a - b));
        const byGroup = shareOut(all, of, 'group', Math.random);
        for (const group of ['a', 'b', 'c'])
          expect(
            new Set(all.filter((p) => p.group === group).map((p) => byGroup.get(p.id))).size,
          ).toBeLessThanOrEqual(1);
      }),
    );
  });
});

const rubric = rubricSchema.parse({
  criteria: ['ideas', 'talk'].map((id) => ({
    id,
    title: id,
    levels: [
      { title: 'good', points: 8 },
      { title: 'fair', points: 4 },
    ],
  })),
});
const RUBRIC: Scheme = { by: 'rubric', rubric, of: 16 };
const mark = (part: Partial<Mark>): Mark => ({ ...EMPTY_MARK, ...part });

describe('a second reading', () => {
  const first = { mark: mark({ levels: { ideas: 0, talk: 0 } }), revision: 2 };
  const second = (
    levels: Record<string, number>,
    settled: { first: number; second: number } | null = null,
  ) => ({
    mark: mark({ levels }),
    revision: 1,
    settled,
  });

  it('is asked for until both are written in full', () => {
    expect(stageOf(RUBRIC, first, { mark: null, revision: 0, settled: null })).toBe('asked');
    expect(stageOf(RUBRIC, first, second({ ideas: 0 }))).toBe('asked');
    const begun = { mark: mark({ levels: { ideas: 0 } }), revision: 1 };
    expect(stageOf(RUBRIC, begun, second({ ideas: 0, talk: 0 }))).toBe('asked');
  });

  it('agrees where levels are alike, whatever is remarked', () => {
    expect(stageOf(RUBRIC, first, second({ ideas: 0, talk: 0 }))).toBe('agrees');
  });

  it('differs by criterion until somebody settles it, and again once either is written on', () => {
    const other = { ideas: 0, talk: 1 };
    expect(stageOf(RUBRIC, first, second(other))).toBe('differs');
    expect(differencesOf(RUBRIC, first.mark, mark({ levels: other }))).toEqual([
      { code: 'criterion', id: 'talk', title: 'talk', first: 'good', second: 'fair' },
    ]);
    expect(stageOf(RUBRIC, first, second(other, { first: 2, second: 1 }))).toBe('settled');
    expect(stageOf(RUBRIC, first, second(other, { first: 1, second: 1 }))).toBe('differs');
  });

  it('compares numbers and verdicts, and what was given by hand', () => {
    expect(differencesOf({ by: 'points', of: 20 }, mark({ points: 17 }), mark({ points: 15 }))).toEqual([
      { code: 'points', first: 17, second: 15 },
    ]);
    expect(
      differencesOf({ by: 'verdict' }, mark({ verdict: 'done' }), mark({ verdict: 'again' })),
    ).toHaveLength(1);
    const byHand = mark({ levels: first.mark.levels, override: { points: 3, reason: 'copied' } });
    expect(differencesOf(RUBRIC, first.mark, byHand)).toEqual([{ code: 'points', first: null, second: 3 }]);
    expect(differencesOf({ by: 'remarks' }, mark({ points: 1 }), mark({ points: 2 }))).toEqual([]);
  });
});
