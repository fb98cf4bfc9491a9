import fc from 'fast-check';
import { instant, postId } from '../ids';
import type { Deadline } from '../deadlines/late';
import type { Obligation, ObligationState } from '../counting/types';
import type { Rubric } from '../rubric/rubric';
import { costMost, lossesOf, together, type Loss } from './losses';
import { fitted, lateOf, markSchema, schemeOf, scoreOf, type Late, type Mark, type Scheme } from './mark';
import { percentOf, roundPoints, sumPoints } from './points';
import { proposeLevels } from './propose';
import { spreadOf } from './spread';

const deadline: Deadline = {
  wall: '2026-10-15T23:59',
  due: instant(1_000),
  graceMinutes: 0,
  movedFrom: null,
  lateDayEnds: [],
  closes: instant(1_000),
};
const owed = (
  kind: Obligation['kind'],
  n: number,
  state: ObligationState,
  more: Partial<Obligation> = {},
): Obligation => ({
  kind,
  n,
  state,
  deadline,
  post: ['counted', 'late', 'short'].includes(state) ? postId(n + (kind === 'reply' ? 10 : 0)) : null,
  at: null,
  unmet: [],
  penaltyPercent: 0,
  barred: false,
  ...more,
});
const level = (title: string, points: number) => ({ title, text: '', points });
const RUBRIC: Rubric = {
  criteria: [
    {
      id: 'question',
      title: 'Answers',
      levels: [level('all', 8), level('most', 5), level('none', 0)],
      checks: ['parts'],
    },
    {
      id: 'evidence',
      title: 'Evidence',
      levels: [level('fits', 4), level('thin', 3), level('none', 0)],
      checks: ['sources', 'quotes'],
    },
    {
      id: 'talk',
      title: 'Moves the talk on',
      levels: [level('three', 8), level('two', 6), level('one', 2)],
      checks: [],
      replies: true,
    },
  ],
};
const BY_RUBRIC: Scheme = { by: 'rubric', rubric: RUBRIC, of: 20 };
const mark = (m: Partial<Mark>): Mark => markSchema.parse(m);
const late = (percent: number, floorPercent = 0): Late => ({
  percent,
  floorPercent,
  for: { kind: 'response', n: 1 },
});

const schemes = fc.oneof(
  fc.constant(BY_RUBRIC),
  fc.integer({ min: 1, max: 400 }).map((of): Scheme => ({ by: 'points', of: of / 4 })),
);
const marks = fc.record({
  levels: fc.record({ question: fc.nat(2), evidence: fc.nat(2), talk: fc.nat(2) }),
  points: fc.integer({ min: 0, max: 10_000 }).map((n): number | null => n / 100),
  verdict: fc.constant(null),
  override: fc.option(
    fc.record({ points: fc.integer({ min: 0, max: 100 }), reason: fc.constant('Said so.') }),
    { freq: 4 },
  ),
  remark: fc.constant(''),
  more: fc.constant(null),
  comments: fc.constant<Mark['comments']>([]),
});
const lates = fc.option(
  fc
    .record({ percent: fc.integer({ min: 1, max: 100 }), floorPercent: fc.integer({ min: 0, max: 100 }) })
    .map((l): Late => late(l.percent, l.floorPercent)),
);
const obligations = fc
  .tuple(
    fc.constantFrom<ObligationState>('counted', 'late', 'short', 'missed', 'excused'),
    fc.array(fc.constantFrom<ObligationState>('counted', 'late', 'missed', 'short'), { maxLength: 4 }),
    fc.subarray(['parts', 'sources', 'quotes'] as const),
  )
  .map(([response, replies, unmet]) => [
    owed('response', 1, response, { unmet: response === 'short' ? [...unmet] : [] }),
    ...replies.map((state, i) => owed('reply', i + 1, state)),
  ]);

describe('points', () => {
  it('are rounded to the hundredth, halves away from nothing, and nowhere else', () => {
    expect([2.345, 1.005, 0.125, 2, 0].map(roundPoints)).toEqual([2.35, 1.01, 0.13, 2, 0]);
    expect(sumPoints([0.1, 0.2])).toBe(0.3);
    expect([percentOf(17, 20), percentOf(1, 3), percentOf(1, 0)]).toEqual([85, 33.3, null]);
  });
});

describe('a way of marking', () => {
  it('is what staff chose, and else what there is', () => {
    expect(schemeOf({ way: null, rubric: RUBRIC, points: 10 })).toEqual(BY_RUBRIC);
    expect(schemeOf({ way: 'points', rubric: RUBRIC, points: 10 })).toEqual({ by: 'points', of: 10 });
    expect(schemeOf({ way: 'points', rubric: RUBRIC, points: undefined })).toEqual(BY_RUBRIC);
    expect(schemeOf({ way: 'rubric', rubric: null, points: 10 })).toEqual({ by: 'points', of: 10 });
    expect(schemeOf({ way: 'verdict', rubric: RUBRIC, points: 10 })).toEqual({ by: 'verdict' });
    expect(schemeOf({ way: null, rubric: null, points: undefined })).toEqual({ by: 'remarks' });
  });
});

describe('a mark', () => {
  it('comes to the points of its levels less what the late rule takes of the full mark', () => {
    const given = mark({ levels: { question: 0, evidence: 1, talk: 1 } });
    expect(scoreOf(BY_RUBRIC, given, null)).toEqual({ open: 0, earned: 17, taken: 0, points: 17, of: 20 });
    expect(scoreOf(BY_RUBRIC, given, late(10))).toMatchObject({ earned: 17, taken: 2, points: 15 });
    expect(scoreOf(BY_RUBRIC, given, late(90, 60))).toMatchObject({ taken: 5, points: 12 });
    // The floor never gives more than was earned.
    expect(
      scoreOf(BY_RUBRIC, mark({ levels: { question: 1, evidence: 2, talk: 2 } }), late(30, 60)),
    ).toMatchObject({
      earned: 7,
      points: 7,
    });
  });
  it('is open by as many criteria as nothing is said of, and an override ends that', () => {
    expect(scoreOf(BY_RUBRIC, mark({ levels: { question: 0 } }), null)).toMatchObject({ open: 2, points: 8 });
    const override = { points: 14, reason: 'The pump had failed.' };
    expect(scoreOf(BY_RUBRIC, mark({ override }), late(20))).toMatchObject({ open: 0, taken: 0, points: 14 });
    expect(scoreOf({ by: 'verdict' }, mark({ verdict: 'again' }), null)).toMatchObject({
      open: 0,
      points: null,
    });
    expect(scoreOf({ by: 'remarks' }, mark({}), null)).toMatchObject({ open: 0, of: null });
  });
  it('is never under nothing, never over what was earned, and adds up', () => {
    fc.assert(
      fc.property(schemes, marks, lates, (scheme, given, lateness) => {
        const { earned, taken, points } = scoreOf(scheme, given, lateness);
        if (given.override) return;
        expect(points).toBeGreaterThanOrEqual(0);
        expect(roundPoints((points ?? 0) + taken)).toBe(earned);
      }),
    );
  });
  it('never gets better by being later', () => {
    fc.assert(
      fc.property(schemes, marks, fc.nat(100), fc.nat(100), fc.nat(100), (scheme, given, a, b, floor) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)];
        const points = (percent: number) => scoreOf(scheme, given, late(percent, floor)).points ?? 0;
        expect(points(more)).toBeLessThanOrEqual(points(less));
      }),
    );
  });
  it('loses levels that the rubric no longer has, and no others', () => {
    expect(fitted(BY_RUBRIC, { question: 2, gone: 0, talk: 7 })).toEqual({ question: 2 });
  });
});

describe('what the late rule takes', () => {
  const rule = { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 20 } as const;
  it('is the most that anything in it is late by, and not their sum', () => {
    const both = [
      owed('response', 1, 'late', { penaltyPercent: 10 }),
      owed('reply', 1, 'late', { penaltyPercent: 20 }),
    ];
    expect(lateOf({ obligations: both }, rule)).toEqual({
      percent: 20,
      floorPercent: 20,
      for: { kind: 'reply', n: 1 },
    });
  });
  it('is nothing in time, for what was missed, and under a rule that takes nothing', () => {
    const one = [owed('response', 1, 'late', { penaltyPercent: 10 })];
    expect(lateOf({ obligations: [owed('response', 1, 'counted')] }, rule)).toBeNull();
    expect(lateOf({ obligations: [owed('reply', 1, 'missed', { penaltyPercent: 30 })] }, rule)).toBeNull();
    expect(lateOf({ obligations: one }, { rule: 'accepted', days: 3 })).toBeNull();
  });
});

describe('what the ledger proposes', () => {
  const asked = ['parts', 'sources', 'quotes'] as const;
  it('is a level by how many replies count and which checks are met, each with its ground', () => {
    const seen = proposeLevels(
      RUBRIC,
      {
        obligations: [
          owed('response', 1, 'short', { unmet: ['sources'] }),
          owed('reply', 1, 'counted'),
          owed('reply', 2, 'late'),
          owed('reply', 3, 'missed'),
        ],
      },
      asked,
    );
    expect(seen).toEqual({
      question: { level: 0, ground: { code: 'checks-met', checks: ['parts'] } },
      evidence: { level: 1, ground: { code: 'checks-unmet', checks: ['sources'] } },
      talk: { level: 1, ground: { code: 'replies', counted: 2, of: 3 } },
    });
  });
  it('is silent where nothing is asked or nothing is known', () => {
    expect(proposeLevels(RUBRIC, { obligations: [owed('response', 1, 'counted')] }, [])).toEqual({});
    expect(proposeLevels(RUBRIC, { obligations: [owed('response', 1, 'excused')] }, asked)).toEqual({});
  });
  it('is the last level where nothing was shared, and always a level that is there', () => {
    expect(proposeLevels(RUBRIC, { obligations: [owed('response', 1, 'missed')] }, asked)).toMatchObject({
      question: { level: 2, ground: { code: 'nothing-shared' } },
    });
    fc.assert(
      fc.property(obligations, (all) => {
        for (const [id, { level: at }] of Object.entries(proposeLevels(RUBRIC, { obligations: all }, asked)))
          expect(RUBRIC.criteria.find((c) => c.id === id)?.levels[at]).toBeDefined();
      }),
    );
  });
});

describe('what points were lost by', () => {
  const asked = ['parts', 'sources', 'quotes'] as const;
  it('adds up to what the mark has less than the full one', () => {
    fc.assert(
      fc.property(schemes, marks, lates, obligations, (scheme, given, lateness, all) => {
        const { points, of } = scoreOf(scheme, given, lateness);
        const lost = lossesOf(scheme, given, lateness, { obligations: all }, asked);
        expect(sumPoints(lost.map((l) => l.points))).toBe(
          Math.max(0, roundPoints((of ?? 0) - (points ?? 0))),
        );
      }),
    );
  });
  it('is first what is counted, and a criterion’s own name where nothing of the kind explains it', () => {
    const all = [
      owed('response', 1, 'counted'),
      owed('reply', 1, 'counted'),
      owed('reply', 2, 'counted'),
      owed('reply', 3, 'missed'),
    ];
    const given = mark({ levels: { question: 0, evidence: 1, talk: 1 } });
    expect(lossesOf(BY_RUBRIC, given, late(10), { obligations: all }, asked)).toEqual([
      { cause: { code: 'late' }, points: 2 },
      { cause: { code: 'reply', n: 3 }, points: 2 },
      { cause: { code: 'criterion', title: 'Evidence' }, points: 1 },
    ]);
  });
  it('says what cost most over a course, in how many discussions, of how much', () => {
    const third: Loss = { cause: { code: 'reply', n: 3 }, points: 2 };
    const lateness: Loss = { cause: { code: 'late' }, points: 3 };
    expect(costMost([[third], [third, lateness], [], [third]])).toEqual({
      ...third,
      points: 6,
      in: 3,
      of: 4,
      lost: 9,
    });
    expect(costMost([[], []])).toBeNull();
    expect(together([third, third])).toEqual([{ ...third, points: 4 }]);
  });
});

describe('the spread of a class', () => {
  it('lies between its least and its most, in whatever order they come', () => {
    expect(spreadOf([10, 20, 12])).toEqual({ n: 3, least: 10, middle: 12, most: 20, mean: 14 });
    expect(spreadOf([1, 2])).toMatchObject({ middle: 1.5, mean: 1.5 });
    expect(spreadOf([])).toBeNull();
    fc.assert(
      fc.property(fc.array(fc.nat(400), { minLength: 1 }), (all) => {
        const spread = spreadOf(all);
        expect(spreadOf([...all].reverse())).toEqual(spread);
        expect(spread?.middle).toBeGreaterThanOrEqual(spread?.least ?? 0);
        expect(spread?.middle).toBeLessThanOrEqual(spread?.most ?? 0);
      }),
    );
  });
});
