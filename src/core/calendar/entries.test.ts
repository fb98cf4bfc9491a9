import { account, at, reply, response, schedule } from '../../../tests/fixtures/build';
import { ledger } from '../counting/ledger';
import { instant } from '../ids';
import { discussionEntries, entryStatus } from './entries';
import { daysFrom, monthDays, monthLater } from './month';

const entries = (input: ReturnType<typeof account>, replyCount = 3) =>
  discussionEntries(input.schedule, ledger(input), { response: true, replies: replyCount }, input.now);

describe('what a discussion puts into a calendar', () => {
  it('is its opening and one entry for each deadline, at the time the course’s clock shows', () => {
    const found = entries(account());
    expect(found.map((e) => [e.kind, e.wall])).toEqual([
      ['opens', '2026-10-12T06:00'],
      ['response', '2026-10-15T23:59'],
      ['replies', '2026-10-18T23:59'],
    ]);
    expect(found[1]?.at).toBe(at('Thu 23:59'));
  });
  it('is a closing of its own where late days make one, and no deadline of replies nobody asks for', () => {
    const late = schedule({ late: { rule: 'accepted', days: 2 } });
    const rules = { replies: { count: 0, distinctPeers: false, staffCount: false }, sealed: false };
    const found = entries(account({ schedule: late, rules }), 0);
    expect(found.map((e) => [e.kind, e.wall])).toEqual([
      ['opens', '2026-10-12T06:00'],
      ['response', '2026-10-15T23:59'],
      ['closes', '2026-10-20T23:59'],
    ]);
  });
  it('shows a deadline without its grace, and an extension as what it is', () => {
    const kind = schedule({ graceMinutes: 30, extensions: { response: '2026-10-17T12:00' } });
    expect(entries(account({ schedule: kind }))[1]).toMatchObject({
      wall: '2026-10-17T12:00',
      at: at('Sat 12:00'),
      extended: true,
    });
  });
});

describe('how an entry stands', () => {
  const status = (input: ReturnType<typeof account>, kind: 'response' | 'replies') => {
    const found = entries(input).find((e) => e.kind === kind);
    return found && entryStatus(found);
  };
  const mine = response(1, 'Mon 10:00');
  it('owed, then done', () => {
    expect(status(account(), 'response')).toEqual({ code: 'owed', n: 1 });
    expect(status(account({ posts: [mine] }), 'response')).toEqual({ code: 'done' });
    const one = [mine, reply(2, 'noor', 'Mon 11:00')];
    expect(status(account({ posts: one }), 'replies')).toEqual({ code: 'owed', n: 2 });
  });
  it('missed, or short for good, when nothing can be shared any more', () => {
    const after = { now: instant(at('Sun 23:59') + 60_000) };
    expect(status(account(after), 'replies')).toEqual({ code: 'missed', n: 3 });
    const short = [
      mine,
      ...['noor', 'jun', 'rafi'].map((who, i) => reply(i + 2, who, 'Mon 11:00', { unmet: ['words'] })),
    ];
    expect(status(account({ ...after, posts: short }), 'replies')).toEqual({ code: 'short', n: 3 });
    expect(status(account({ posts: short }), 'replies')).toEqual({ code: 'owed', n: 3 });
  });
  it('nothing, for staff and for openings', () => {
    const [opens, deadline] = discussionEntries(
      schedule(),
      null,
      { response: true, replies: 3 },
      at('Tue 10:00'),
    );
    for (const e of [opens, deadline]) expect(e && entryStatus(e)).toEqual({ code: 'nothing-owed' });
  });
});

describe('the days of a calendar', () => {
  it('fill a month to whole weeks, Monday first', () => {
    const days = monthDays('2026-10', 'Europe/London');
    expect([days[0]?.date, days[days.length - 1]?.date, days.length]).toEqual([
      '2026-09-28',
      '2026-11-01',
      35,
    ]);
    expect(monthDays('2027-02', 'UTC')).toHaveLength(28);
  });
  it('are 25 or 23 hours long when the clocks change, and follow each other without a gap', () => {
    const hours = (date: string) =>
      daysFrom(date, 1, 'Europe/London').map((d) => (d.end - d.start) / 3_600_000)[0];
    expect([hours('2026-10-25'), hours('2026-03-29'), hours('2026-10-26')]).toEqual([25, 23, 24]);
    const days = monthDays('2026-10', 'America/St_Johns');
    days.forEach((d, i) => expect(d.start).toBe(days[i - 1]?.end ?? d.start));
  });
  it('know the month after December', () => {
    expect([monthLater('2026-12', 1), monthLater('2026-01', -1)]).toEqual(['2027-01', '2025-12']);
  });
});
