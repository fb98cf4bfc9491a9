import fc from 'fast-check';
import { daysLater, weekdayOf } from '../deadlines/wallclock';
import type { LateRule } from '../deadlines/late';
import { FIELDS, type Fields } from '../outside/fields';
import { usualFields, type SetBefore } from './usual';

const weeks = Array.from({ length: 10 }, (_, i) => ({
  number: i + 1,
  startsOn: daysLater('2026-09-07T00:00', 7 * i).slice(0, 10),
}));
const late: LateRule = { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 };
const inWeek = (n: number): SetBefore => ({
  week: weeks[n - 1]!,
  responseDue: daysLater('2026-09-10T23:59', 7 * (n - 1)),
  repliesDue: daysLater('2026-09-13T20:00', 7 * (n - 1)),
  late,
});

describe('what a prompt leaves unsaid', () => {
  it('is as in the course’s last discussion, in the week that comes next', () => {
    expect(usualFields({ title: 'x' }, weeks, [inWeek(6), inWeek(5)], null)).toEqual({
      fields: {
        week: '7',
        responseDue: '2026-10-22T23:59',
        repliesDue: '2026-10-25T20:00',
        late: 'penalty',
        'late.percent': '10',
        'late.days': '3',
      },
      like: { responseDue: 6, repliesDue: 6, late: 6, 'late.percent': 6, 'late.days': 6 },
    });
  });
  it('has the late rule of the last discussion that says one', () => {
    const unsaid: LateRule = { rule: 'accepted', days: 14, unsaid: true };
    const { fields, like } = usualFields({}, weeks, [{ ...inWeek(6), late: unsaid }, inWeek(4)], null);
    expect([fields.late, like.late, like.responseDue]).toEqual(['penalty', 4, 6]);
    expect(usualFields({ late: 'refused' }, weeks, [inWeek(6)], null).fields['late.days']).toBeUndefined();
  });
  it('is of the week one came from, or of the one it names', () => {
    expect(usualFields({}, weeks, [inWeek(6)], 9).fields).toMatchObject({
      week: '9',
      responseDue: '2026-11-05T23:59',
    });
    const named = usualFields({ week: '8' }, weeks, [inWeek(6)], 9).fields;
    expect([named.week, named.responseDue]).toEqual([undefined, '2026-10-29T23:59']);
  });
  it('has no date where its week is not there, and no week where it says its date', () => {
    expect(usualFields({ week: '30' }, weeks, [inWeek(6)], null).fields.responseDue).toBeUndefined();
    const dated = usualFields({ responseDue: '2026-10-20T12:00' }, weeks, [inWeek(6)], null).fields;
    expect([dated.week, dated.responseDue, dated.repliesDue]).toEqual([
      undefined,
      undefined,
      '2026-10-23T20:00',
    ]);
  });
  it('is nothing but a week in a course that has asked nothing yet, and not even that without one', () => {
    expect(usualFields({}, weeks, [], null)).toEqual({ fields: { week: '1' }, like: {} });
    expect(usualFields({}, [], [], null)).toEqual({ fields: {}, like: {} });
  });
  it('is also what a field that is empty leaves unsaid', () =>
    expect(usualFields({ week: '', late: '' }, weeks, [inWeek(6)], null)).toEqual(
      usualFields({}, weeks, [inWeek(6)], null),
    ));
  it('never takes the place of what was read, and falls on the usual weekday', () =>
    fc.assert(
      fc.property(
        fc.subarray([...FIELDS]),
        fc.integer({ min: 1, max: 9 }),
        fc.option(fc.integer({ min: 1, max: 12 }), { nil: null }),
        (names, last, wanted) => {
          const said: Fields = Object.fromEntries(
            names.map((f) => [f, f === 'week' ? '10' : f.endsWith('Due') ? '2026-11-12T08:00' : 'x']),
          );
          const { fields } = usualFields(said, weeks, [inWeek(last)], wanted);
          expect(Object.keys(fields).filter((f) => f in said)).toEqual([]);
          if (fields.responseDue) expect(weekdayOf(fields.responseDue)).toBe(4);
          const both = { ...said, ...fields };
          if (both.responseDue && fields.repliesDue) expect(fields.repliesDue >= both.responseDue).toBe(true);
        },
      ),
    ));
});
