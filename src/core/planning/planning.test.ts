import { account, at, response, schedule } from '../../../tests/fixtures/build';
import { briefSchema } from '../brief/brief';
import { ledger } from '../counting/ledger';
import { instant } from '../ids';
import { nights, habitsSchema } from './habits';
import { paceOf } from './pace';
import { freeSlots, gridOf } from './slots';
import { nextSpell, type OpenSpell } from './spells';
import { assignmentsOf } from './tasks';
import { replyWork, responseWork, sumOfWork, wordsAsked } from './work';

const spell = (wordsAdded: number, minutes: number, proof = 0) => ({
  wordsAdded,
  writingSeconds: minutes * 60,
  proofreadingSeconds: proof * 60,
});

describe('a student’s pace', () => {
  it('begins at a sensible value, with a wide range', () => {
    const { writing, reading, proofreading } = paceOf([], []);
    expect(writing.wordsPerMinute).toBeCloseTo(10);
    expect(writing.from).toBe(0);
    expect(writing.slow).toBeLessThan(7);
    expect(writing.fast).toBeGreaterThan(15);
    expect(reading.wordsPerMinute).toBeCloseTo(220);
    expect(proofreading.share).toBeCloseTo(0.2);
  });
  it('moves a little with one sitting, and is the student’s own after many', () => {
    const one = paceOf([spell(480, 20)], []).writing;
    expect(one.wordsPerMinute).toBeGreaterThan(10);
    expect(one.wordsPerMinute).toBeLessThan(14);
    const many = paceOf(
      Array.from({ length: 40 }, () => spell(480, 20)),
      [],
    ).writing;
    expect(many.wordsPerMinute).toBeGreaterThan(20);
    expect(many.fast / many.slow).toBeLessThan(one.fast / one.slow);
  });
  it('is not learnt from a moment, from a paste, or from paging through', () => {
    const pace = paceOf([spell(5, 30), spell(900, 1), spell(20, 0.2)], [{ words: 2_000, seconds: 40 }]);
    expect(pace.writing).toMatchObject({ from: 0 });
    expect(pace.reading.from).toBe(0);
  });
  it('counts time in which nothing is added as proofreading', () => {
    const many = Array.from({ length: 30 }, () => spell(200, 15, 15));
    expect(paceOf(many, []).proofreading.share).toBeGreaterThan(0.45);
  });
});

describe('a spell of writing', () => {
  const start = (words: number) => nextSpell(null, at('Tue 10:00'), words).spell;
  const later = (s: OpenSpell, seconds: number, words: number) =>
    nextSpell(s, instant(s.endedAt + seconds * 1_000), words);
  it('grows with each keeping, by writing or by proofreading', () => {
    const a = later(start(10), 60, 22).spell;
    const b = later(a, 90, 20);
    expect(b.opens).toBe(false);
    expect(b.spell).toMatchObject({
      wordsAdded: 12,
      writingSeconds: 60,
      proofreadingSeconds: 90,
      wordsAtEnd: 20,
    });
  });
  it('ends with a pause of more than five minutes, or when the clock was set back', () => {
    expect(later(start(10), 301, 20).opens).toBe(true);
    expect(later(start(10), -60, 20).opens).toBe(true);
  });
  it('takes a paste for no work at all', () => {
    expect(later(start(0), 2, 400).spell).toMatchObject({
      wordsAdded: 0,
      writingSeconds: 0,
      wordsAtEnd: 400,
    });
  });
});

describe('how long it takes', () => {
  const pace = paceOf([], []);
  const brief = briefSchema.parse({
    response: { words: { min: 200 } },
    replies: { count: 3, distinctPeers: true, words: { min: 50 } },
    sealed: true,
  });
  it('is the words still wanting at one’s pace, with reading and proofreading, and a range around it', () => {
    const whole = responseWork({ rules: brief.response, wordsWritten: 0, wordsToRead: 2_200 }, pace);
    expect(whole.reading).toBeCloseTo(10);
    expect(whole.writing).toBeCloseTo(20);
    expect(whole.proofreading).toBeCloseTo(5);
    expect(whole.least).toBeLessThan(whole.likely);
    expect(whole.most).toBeGreaterThan(whole.likely);
    const half = responseWork({ rules: brief.response, wordsWritten: 100, wordsToRead: 0 }, pace);
    expect(half.writing).toBeCloseTo(10);
    expect(replyWork(brief.replies, pace).writing).toBeCloseTo(5);
  });
  it('is a little even for a draft that is long enough', () => {
    const ready = responseWork({ rules: brief.response, wordsWritten: 400, wordsToRead: 0 }, pace);
    expect(ready.writing).toBeCloseTo(2);
  });
  it('reads a length out of paragraphs and sentences, and never more than the most', () => {
    expect(wordsAsked({ paragraphs: { min: 3 } }, 'response')).toBe(210);
    expect(wordsAsked({}, 'reply')).toBe(60);
    expect(wordsAsked({ words: { max: 40 } }, 'reply')).toBe(40);
  });
  it('adds up with a range that grows slower than the sum', () => {
    const one = replyWork(brief.replies, pace);
    const four = sumOfWork([one, one, one, one]);
    expect(four.likely).toBeCloseTo(4 * one.likely);
    const spread = one.most - one.likely;
    expect(four.most - four.likely).toBeGreaterThan(2 * spread);
    expect(four.most - four.likely).toBeLessThan(4 * spread);
    expect(sumOfWork([one]).most).toBeCloseTo(one.most);
  });
});

describe('what is to be planned', () => {
  const brief = (replies: object) =>
    briefSchema.parse({ response: { words: { min: 200 } }, replies: { count: 2, ...replies }, sealed: true });
  const tasks = (over: Parameters<typeof account>[0], replies: object = {}) => {
    const input = account({
      rules: { replies: { count: 2, distinctPeers: false, staffCount: false }, sealed: true },
      ...over,
    });
    return assignmentsOf(
      {
        slug: 'geo-1',
        brief: brief(replies),
        schedule: input.schedule,
        ledger: ledger(input),
        draftWords: 0,
        wordsToRead: 0,
      },
      paceOf([], []),
      input.now,
    );
  };
  it('is everything owed, from now to its deadline', () => {
    const found = tasks({ now: at('Tue 10:00') });
    expect(found.map((t) => [t.kind, t.n])).toEqual([
      ['response', 1],
      ['reply', 1],
      ['reply', 2],
    ]);
    expect(found[0]).toMatchObject({ release: at('Tue 10:00'), deadline: schedule().response.due });
  });
  it('begins when a discussion opens, and ends with the late days when the deadline is past', () => {
    expect(tasks({ now: instant(at('Mon 00:00') - 86_400_000) })[0]?.release).toBe(at('Mon 06:00'));
    const late = schedule({ late: { rule: 'accepted', days: 2 } });
    expect(tasks({ now: at('Fri 09:00'), schedule: late })[0]?.deadline).toBe(late.response.closes);
  });
  it('is nothing that is counted, missed or excused', () => {
    expect(tasks({ posts: [response(1, 'Mon 10:00')], now: at('Tue 10:00') }).map((t) => t.kind)).toEqual([
      'reply',
      'reply',
    ]);
    expect(tasks({ now: at('Fri 12:00') })).toEqual([]);
    expect(tasks({ excused: true, now: at('Tue 10:00') })).toEqual([]);
  });
  it('puts replies that must fall on different days on different days', () => {
    const found = tasks({ posts: [response(1, 'Mon 10:00')], now: at('Thu 10:00') }, { distinctDays: 2 });
    const [first, second] = found;
    expect(first?.deadline).toBeLessThanOrEqual(second?.release ?? 0);
    expect(first?.release).toBe(at('Thu 10:00'));
    expect(second?.deadline).toBe(schedule().replies.due);
  });
  it('and never before the response they follow', () => {
    const found = tasks({ now: at('Tue 10:00') }, { distinctDays: 2 });
    for (const reply of found.slice(1))
      expect(reply.release).toBeGreaterThanOrEqual(found[0]?.deadline ?? Infinity);
  });
});

describe('nights', () => {
  const habits = { sleepFrom: '23:00', sleepTo: '07:00' };
  const hours = (s: { start: number; end: number }) => (s.end - s.start) / 3_600_000;
  it('are an hour longer or shorter when the clocks change', () => {
    const from = (iso: string) => instant(Date.parse(iso));
    const autumn = nights(habits, 'Europe/London', from('2026-10-24T12:00Z'), from('2026-10-26T12:00Z'));
    expect(autumn.map(hours)).toEqual([9, 8]);
    const spring = nights(habits, 'Europe/London', from('2026-03-28T12:00Z'), from('2026-03-30T12:00Z'));
    expect(spring.map(hours)).toEqual([7, 8]);
  });
  it('may begin after midnight, and may be none at all', () => {
    const late = nights({ sleepFrom: '01:30', sleepTo: '09:00' }, 'UTC', at('Mon 12:00'), at('Wed 12:00'));
    expect(late).toEqual([
      { start: at('Tue 01:30'), end: at('Tue 09:00') },
      { start: at('Wed 01:30'), end: at('Wed 09:00') },
    ]);
    expect(nights({ sleepFrom: '07:00', sleepTo: '07:00' }, 'UTC', at('Mon 12:00'), at('Wed 12:00'))).toEqual(
      [],
    );
  });
  it('are held within the time that is planned', () => {
    const [first] = nights(habits, 'UTC', at('Tue 02:10'), at('Tue 23:30'));
    expect(first).toEqual({ start: at('Tue 02:10'), end: at('Tue 07:00') });
    expect(habitsSchema.parse({}).sittingMinutes).toBe(60);
  });
});

describe('the grid of quarter hours', () => {
  it('begins at the next quarter, and a busy time takes every slot it touches', () => {
    const grid = gridOf(at('Tue 10:07'), at('Tue 11:30'));
    expect(grid).toEqual({ start: at('Tue 10:15'), count: 5 });
    const busy = [{ start: at('Tue 10:20'), end: at('Tue 10:30') }];
    expect(freeSlots(grid, busy)).toEqual([false, true, true, true, true]);
  });
});
