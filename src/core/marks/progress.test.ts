import fc from 'fast-check';
import { gradeOf, standingOf, weightOfDiscussions, type MarkedDiscussion } from './progress';

const SCALE = [
  { grade: 'A', from: 90 },
  { grade: 'B', from: 80 },
  { grade: 'C', from: 60 },
];
const marked = (slug: string, points: number, of = 20): MarkedDiscussion => ({
  slug,
  mark: { points, of },
  toWin: 0,
});
const open = (slug: string, toWin = 20): MarkedDiscussion => ({ slug, mark: null, toWin });

const discussions = fc
  .array(
    fc.oneof(
      fc
        .tuple(fc.nat(2_000), fc.integer({ min: 1, max: 20 }))
        .map(([p, of]): MarkedDiscussion => marked('', Math.min(p / 100, of), of)),
      fc.integer({ min: 0, max: 40 }).map((n): MarkedDiscussion => open('', n)),
    ),
    { maxLength: 12 },
  )
  .map((all) => all.map((d, i) => ({ ...d, slug: `w${i}` })));

describe('standing in a course', () => {
  it('is the points that are marked, with what is still to be won beside them', () => {
    expect(standingOf([marked('w1', 18), marked('w2', 15), open('w3'), open('w4', 10)], SCALE)).toEqual({
      points: 33,
      of: 40,
      percent: 82.5,
      grade: 'B',
      toWin: 30,
      ends: { from: 80.9, to: 84.1 },
    });
  });
  it('says nothing of what nobody has marked', () => {
    expect(standingOf([open('w1')], SCALE)).toMatchObject({
      percent: null,
      grade: null,
      ends: null,
      toWin: 20,
    });
    expect(standingOf([marked('w1', 4)], null)).toMatchObject({ percent: 20, grade: null, ends: null });
  });
  it('of "what if" is the standing with the guesses as marks, and a guess never outweighs a mark or what can be won', () => {
    fc.assert(
      fc.property(discussions, fc.nat(60), (all, guess) => {
        const guesses = Object.fromEntries(all.map((d) => [d.slug, guess]));
        const asMarks = all.map((d) =>
          d.mark || d.toWin <= 0
            ? d
            : { ...d, mark: { points: Math.min(guess, d.toWin), of: d.toWin }, toWin: 0 },
        );
        expect(standingOf(all, SCALE, guesses)).toEqual(standingOf(asMarks, SCALE));
      }),
    );
  });
  it('ends between nothing and all, lower end first, and never depends on the order of discussions', () => {
    fc.assert(
      fc.property(discussions, (all) => {
        const seen = standingOf(all, SCALE);
        expect(standingOf([...all].reverse(), SCALE)).toEqual(seen);
        if (!seen.ends) return;
        expect(seen.ends.from).toBeGreaterThanOrEqual(0);
        expect(seen.ends.to).toBeGreaterThanOrEqual(seen.ends.from);
        expect(seen.ends.to).toBeLessThanOrEqual(100);
      }),
    );
  });
});

describe('a syllabus', () => {
  it('gives a share its grade, the best it reaches', () => {
    expect([95, 90, 89.9, 60, 12].map((p) => gradeOf(p, SCALE))).toEqual(['A', 'A', 'B', 'C', null]);
  });
  it('says how much of the course discussions are, where it names them', () => {
    const weights = [
      { what: 'Weekly discussions', percent: 40 },
      { what: 'Field notebook', percent: 60 },
    ];
    expect(weightOfDiscussions({ weights })).toBe(40);
    expect(weightOfDiscussions({ weights: [{ what: 'Exam', percent: 100 }] })).toBeNull();
  });
});
