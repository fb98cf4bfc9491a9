import type { LateRule } from '../deadlines/late';
import { contradictions, inconsistencies, sameLateRule } from './contradictions';
import { syllabusSchema } from './syllabus';

const syllabus = syllabusSchema.parse({
  late: { rule: 'refused' },
  habits: { response: { weekday: 4, time: '23:59' }, replies: { weekday: 7, time: '23:59' } },
  scale: [
    { grade: 'Distinction', from: 80 },
    { grade: 'Pass', from: 50 },
  ],
  weights: [
    { what: 'Discussions', percent: 60 },
    { what: 'Field report', percent: 40 },
  ],
  contact: { name: 'Dr. Maren Holt', email: 'holt@tidewell.example', answers: 'within two days' },
  officeHours: [],
});
const usual = {
  late: { rule: 'refused' } as LateRule,
  responseDue: '2026-10-15T23:59',
  repliesDue: '2026-10-18T23:59',
  replyCount: 3,
};

describe('a discussion and its syllabus', () => {
  it('agree when late rule, weekdays and times are the same', () => {
    expect(contradictions(syllabus, usual)).toEqual([]);
  });
  it('contradict each other when one takes late work and the other does not', () => {
    const late: LateRule = { rule: 'accepted', days: 2 };
    expect(contradictions(syllabus, { ...usual, late })).toEqual([
      { code: 'late-rule', syllabus: { rule: 'refused' }, discussion: late },
    ]);
  });
  it('contradict each other in a deadline’s weekday or its time', () => {
    const moved = { ...usual, responseDue: '2026-10-14T23:59', repliesDue: '2026-10-18T18:00' };
    expect(contradictions(syllabus, moved).map((c) => c.code)).toEqual([
      'response-deadline',
      'replies-deadline',
    ]);
  });
  it('have no quarrel about the deadline of replies that nobody asks for', () => {
    expect(contradictions(syllabus, { ...usual, repliesDue: '2026-10-15T23:59', replyCount: 0 })).toEqual([]);
  });
});

describe('two late rules are the same when they do the same', () => {
  const penalty = (percentPerDay: number, days: number, floorPercent = 0): LateRule => ({
    rule: 'penalty',
    percentPerDay,
    days,
    floorPercent,
  });
  it.each<[LateRule, LateRule, boolean]>([
    [penalty(10, 3), penalty(10, 3), true],
    [penalty(10, 3), penalty(10, 4), false],
    [penalty(10, 3), penalty(20, 3), false],
    [penalty(0, 3), { rule: 'accepted', days: 3 }, true],
    // A floor that is never reached changes nothing; one that is reached does.
    [penalty(10, 3, 50), penalty(10, 3, 0), true],
    [penalty(30, 3, 50), penalty(30, 3, 0), false],
    [{ rule: 'refused' }, { rule: 'accepted', days: 1 }, false],
  ])('%j and %j: %s', (a, b, same) => expect(sameLateRule(a, b)).toBe(same));
});

describe('a syllabus with itself', () => {
  it('is at odds when its weights do not make a whole, or its scale does not fall', () => {
    expect(inconsistencies(syllabus)).toEqual([]);
    const odd = {
      ...syllabus,
      weights: [{ what: 'Discussions', percent: 70 }],
      scale: [...syllabus.scale, { grade: 'Merit', from: 65 }],
    };
    expect(inconsistencies(odd)).toEqual([
      { code: 'weights-sum', sum: 70 },
      { code: 'scale-order', grade: 'Merit' },
    ]);
  });
});
