import fc from 'fast-check';
import { weekdayOf } from '../deadlines/wallclock';
import { habitFields, habitsSchema, type Habits } from './habits';
import { usualFields } from './usual';

const THURSDAY = { day: 4, time: '23:59' };
const SUNDAY = { day: 7, time: '20:00' };
const none: Habits = { response: null, replies: null, late: null, points: null };
const habits: Habits = { ...none, response: THURSDAY, replies: SUNDAY };

describe('a course’s habits', () => {
  it('say both deadlines of a week, whichever day it begins on', () => {
    const of = (startsOn: string) => habitFields(habits, { startsOn, responseDue: null });
    expect(of('2026-10-12')).toEqual({ responseDue: '2026-10-15T23:59', repliesDue: '2026-10-18T20:00' });
    expect(of('2026-10-16')).toEqual({ responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T20:00' });
  });

  it('go by the response’s deadline where the prompt says it, and say nothing of one without a week', () => {
    expect(habitFields(habits, { startsOn: '2026-10-12', responseDue: '2026-10-18T21:00' })).toEqual({
      repliesDue: '2026-10-25T20:00',
    });
    expect(habitFields(habits, { startsOn: null, responseDue: null })).toEqual({});
  });

  it('never ask for replies before the response, and keep to their weekdays and times', () => {
    const day = fc.integer({ min: 1, max: 7 });
    const time = fc.constantFrom('00:00', '09:30', '23:59');
    const habit = fc.record({ day, time });
    const date = fc.integer({ min: 0, max: 700 }).map((n) => new Date(Date.UTC(2026, 0, 1 + n)));
    fc.assert(
      fc.property(habit, habit, date, (response, replies, from) => {
        const startsOn = from.toISOString().slice(0, 10);
        const said = habitFields({ ...none, response, replies }, { startsOn, responseDue: null });
        const [first = '', second = ''] = [said.responseDue, said.repliesDue];
        expect(first >= `${startsOn}T00:00` && second > first).toBe(true);
        expect([weekdayOf(first), first.slice(11)]).toEqual([response.day, response.time]);
        expect([weekdayOf(second), second.slice(11)]).toEqual([replies.day, replies.time]);
      }),
    );
  });

  it('come before what the last discussion did, and after what the prompt says', () => {
    const weeks = [
      { number: 5, startsOn: '2026-10-05' },
      { number: 6, startsOn: '2026-10-12' },
    ];
    const before = [
      {
        week: { number: 5, startsOn: '2026-10-05' },
        responseDue: '2026-10-07T12:00',
        repliesDue: '2026-10-09T12:00',
        late: { rule: 'accepted', days: 3 } as const,
      },
    ];
    const refused = { ...habits, late: { rule: 'refused' } as const, points: 20 };
    const plain = usualFields({}, weeks, before, null, refused);
    expect(plain.fields).toEqual({
      week: '6',
      responseDue: '2026-10-15T23:59',
      repliesDue: '2026-10-18T20:00',
      late: 'refused',
      points: '20',
    });
    expect(plain.like.responseDue).toBe('habits');
    const said = usualFields(
      { late: 'accepted', 'late.days': '2', points: '5' },
      weeks,
      before,
      null,
      refused,
    );
    expect([said.fields.late, said.fields.points]).toEqual([undefined, undefined]);
    // Where the habits are silent it is as it was last.
    expect(usualFields({}, weeks, before, null, none).fields.responseDue).toBe('2026-10-14T12:00');
  });

  it('are weekdays and times that there are', () => {
    for (const response of [
      { day: 8, time: '10:00' },
      { day: 1, time: '24:00' },
      { day: 1, time: '9:00' },
    ])
      expect(habitsSchema.safeParse({ ...none, response }).success).toBe(false);
  });
});
