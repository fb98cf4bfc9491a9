import { at, schedule } from '../../../tests/fixtures/build';
import { instant } from '../ids';
import { dayIn } from './day';
import { lateness, type LateRule } from './late';
import { resolveDeadline } from './resolve';
import { discussionState } from './state';
import { daysLater, endOfMinute, hoursLater, instantOf, wallClockAt } from './wallclock';

const utc = (text: string) => Date.parse(text);

describe('a wall-clock deadline', () => {
  it('lasts to the end of its minute', () => {
    const d = schedule().response;
    const lastMoment = instant(utc('2026-10-15T23:59:59.999Z'));
    expect(lateness(d, { rule: 'refused' }, lastMoment).kind).toBe('in-time');
    expect(lateness(d, { rule: 'refused' }, instant(lastMoment + 1)).kind).toBe('too-late');
  });

  it.each([
    // Clocks go forward: the time does not exist and moves forward by the gap.
    ['2026-03-29T01:30', 'Europe/London', '2026-03-29T01:30Z'],
    ['2026-10-04T02:30', 'Australia/Sydney', '2026-10-03T16:30Z'],
    // Clocks go back: the time exists twice and means the later.
    ['2026-10-25T01:30', 'Europe/London', '2026-10-25T01:30Z'],
    ['2026-04-05T02:30', 'Australia/Sydney', '2026-04-04T16:30Z'],
    // An ordinary night on either side.
    ['2026-10-24T23:59', 'Europe/London', '2026-10-24T22:59Z'],
    ['2026-10-25T23:59', 'Europe/London', '2026-10-25T23:59Z'],
  ])('%s in %s is %s', (wall, zone, expected) => {
    expect(new Date(instantOf(wall, zone)).toISOString()).toBe(new Date(expected).toISOString());
  });

  it('of a zone that does not exist is a bug, and throws', () => {
    expect(() => instantOf('2026-10-15T23:59', 'Mars/Olympus')).toThrow(RangeError);
  });
});

describe('late days', () => {
  const late: LateRule = { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 75 };
  const over = (late_: LateRule, zone = 'UTC') =>
    resolveDeadline({ wall: '2026-10-24T18:00', zone, late: late_ });

  it('end at the deadline’s time of day, also when a day has 25 hours', () => {
    const d = over(late, 'Europe/London');
    expect(d.lateDayEnds.map((e) => new Date(e).toISOString())).toEqual([
      '2026-10-25T18:01:00.000Z',
      '2026-10-26T18:01:00.000Z',
      '2026-10-27T18:01:00.000Z',
    ]);
  });

  it('cost their share each, never more than down to the floor', () => {
    const d = over(late);
    const after = (hours: number) => lateness(d, late, instant(d.due + hours * 3_600_000));
    expect(after(0)).toEqual({ kind: 'late', startedDays: 1, penaltyPercent: 10 });
    expect(after(24)).toEqual({ kind: 'late', startedDays: 2, penaltyPercent: 20 });
    expect(after(60)).toEqual({ kind: 'late', startedDays: 3, penaltyPercent: 25 });
    expect(after(72)).toEqual({ kind: 'too-late' });
  });

  it('do not exist where late work is refused, and grace comes before the rule', () => {
    const d = resolveDeadline({
      wall: '2026-10-15T23:59',
      zone: 'UTC',
      late: { rule: 'refused' },
      graceMinutes: 10,
    });
    expect(d.due).toBe(utc('2026-10-16T00:10Z'));
    expect(d.closes).toBe(d.due);
  });

  it('begin after an extension where there is one', () => {
    const d = resolveDeadline({
      wall: '2026-10-15T23:59',
      zone: 'UTC',
      late: { rule: 'accepted', days: 2 },
      extension: '2026-10-17T12:00',
    });
    expect(d.movedFrom).toBe(utc('2026-10-15T23:59Z'));
    expect(d.closes).toBe(utc('2026-10-19T12:01Z'));
  });
});

describe('the state of a discussion', () => {
  const s = schedule();
  it.each([
    ['upcoming', at('Mon 05:59')],
    ['open', at('Mon 06:00')],
    ['closing', at('Thu 00:30')],
    ['open', at('Fri 01:00')],
    ['closing', at('Sun 10:00')],
    ['closed', s.closes],
  ] as const)('is %s', (expected, now) => {
    expect(discussionState(s, now)).toBe(expected);
  });
  it('is late while the rule still takes what is owed', () => {
    const relaxed = schedule({ late: { rule: 'accepted', days: 7 } });
    expect(discussionState(relaxed, at('Fri 10:00'))).toBe('late');
    expect(discussionState(relaxed, at('Fri 10:00'), { response: false, replies: true })).toBe('open');
  });
  it('is open until it closes for whoever has done everything, also while late work of others is taken', () => {
    const done = { response: false, replies: false };
    const relaxed = schedule({ late: { rule: 'accepted', days: 7 } });
    expect(discussionState(relaxed, at('Sun 10:00'), done)).toBe('open');
    expect(discussionState(relaxed, instant(relaxed.replies.due), done)).toBe('open');
    expect(discussionState(relaxed, instant(relaxed.closes - 1), done)).toBe('open');
    expect(discussionState(relaxed, relaxed.closes, done)).toBe('closed');
  });
});

describe('calendar days', () => {
  it('are the zone’s own', () => {
    expect(dayIn(utc('2026-10-13T23:30Z'), 'Europe/Berlin')).toBe('2026-10-14');
    expect(dayIn(utc('2026-10-13T23:30Z'), 'America/Lima')).toBe('2026-10-13');
  });
  it('are added by the calendar', () => {
    expect(daysLater('2026-02-27T10:00', 2)).toBe('2026-03-01T10:00');
  });
  it('and wall clocks go there and back', () => {
    expect(wallClockAt(instantOf('2026-10-15T23:59', 'Asia/Kathmandu'), 'Asia/Kathmandu')).toBe(
      '2026-10-15T23:59',
    );
    expect(endOfMinute('2026-10-15T23:59', 'UTC')).toBe(utc('2026-10-16T00:00Z'));
  });
});

describe('hours more', () => {
  it('are hours that pass, over a night with an hour more or less too', () => {
    expect(hoursLater('2026-10-24T23:59', 24, 'Europe/London')).toBe('2026-10-25T22:59');
    expect(hoursLater('2026-03-28T23:59', 24, 'Europe/London')).toBe('2026-03-30T00:59');
    expect(hoursLater('2026-10-15T23:59', 24, 'Asia/Kolkata')).toBe('2026-10-16T23:59');
  });
});
