import { syllabusSchema } from '@/core/syllabus/syllabus';
import { instant } from '@/core/ids';
import { schedule } from '../../../tests/fixtures/build';
import { entryStatusText } from './calendar';
import { contradictionText, inconsistencyText } from './contradictions';
import { ownTimeShort } from './deadlines';
import { deadlineEvent } from './feed';
import { importProblemText } from './imports';
import { countdown, monthName } from './time';
import { minutesText, paceSource, rangeText, readingText } from './work';

describe('time in words', () => {
  it.each([
    [150_000, '2 min'],
    [119_001, '2 min 00 s'],
    [61_000, '1 min 01 s'],
    [9_200, '10 s'],
    [3 * 86_400_000, '3 d'],
  ])('a countdown of %d ms is %s', (ms, text) => expect(countdown(ms)).toBe(text));
  it.each([
    [3, '5 min'],
    [62, '1 h'],
    [168, '2 h 50 min'],
  ])('%d minutes of work are %s', (minutes, text) => expect(minutesText(minutes)).toBe(text));
  it('a reading is told to the minute, a range from its least to its most', () => {
    expect(readingText(2)).toBe('2 min');
    expect(rangeText({ least: 41, most: 92 })).toBe('40 min to 1 h 30 min');
    expect([0, 1, 9].map(paceSource)).toEqual([
      'a usual pace, until Pulpit knows yours',
      'your pace, from one sitting so far',
      'your pace, from your last 9 sittings',
    ]);
    expect(monthName('2026-10')).toBe('October 2026');
  });
  it('another zone’s deadline is told by its time alone where the day is the same', () => {
    const { response } = schedule();
    expect(ownTimeShort(response, 'UTC', 'UTC')).toBeNull();
    expect(ownTimeShort(response, 'UTC', 'America/New_York')).toBe('19:59');
    expect(ownTimeShort(response, 'UTC', 'Europe/Athens')).toBe('Fri 16 Oct, 02:59');
  });
});

describe('what is wrong, in words', () => {
  it('a contradiction says both sides', () => {
    const said = contradictionText({
      code: 'replies-deadline',
      syllabus: { weekday: 7, time: '23:59' },
      discussion: { weekday: 6, time: '10:00' },
    });
    expect(said).toBe('Replies are due Saturday 10:00 here; the syllabus says Sunday 23:59.');
    expect(inconsistencyText({ code: 'weights-sum', sum: 90 })).toContain('90 %, not to 100 %');
    expect(() => syllabusSchema.parse({})).toThrow();
  });
  it('every problem of an import names its line and what was done', () => {
    const title = 'Shift';
    const said = [
      importProblemText({ code: 'broken-line', line: 1_200 }),
      importProblemText({ code: 'unknown-zone', line: 6, zone: 'Mars/Olympus' }),
      importProblemText({ code: 'endless', line: 8, title }),
      importProblemText({ code: 'too-many', line: 9 }),
    ];
    expect(said.every((s) => /^Line [\d,]+/u.test(s) && /kept|left out/u.test(s))).toBe(true);
    expect(said[0]).toContain('Line 1,200');
    expect(importProblemText({ code: 'cut', line: 70 })).toMatch(/larger than 5 MB.*line 70/u);
  });
});

describe('a deadline in a calendar program', () => {
  const entry = {
    kind: 'replies' as const,
    wall: '2026-10-18T23:59',
    at: instant(0),
    extended: true,
    states: ['counted' as const, 'owed' as const],
    over: false,
    uid: 'replies-1@pulpit',
    sequence: 2,
    changedAt: instant(0),
    slug: 'geo-1',
    title: 'Levees',
    course: { code: 'GEO 115' },
    week: 6,
    zone: 'UTC',
    late: { rule: 'refused' as const },
  };
  it('says what is still owed, rings while it is, and leads to where it is done', () => {
    const event = deadlineEvent(entry, 'http://localhost:4170');
    expect(event.summary).toBe('GEO 115 replies due: Levees');
    expect(event.description).toContain('Your replies: 1 reply still owed.');
    expect(event.description).toContain('extended for you');
    expect(event.url).toBe('http://localhost:4170/discussions/geo-1/conversation');
    expect(event.alarms).toEqual([1_440, 120]);
  });
  it('is quiet when it is done', () => {
    const done = { ...entry, states: ['counted' as const] };
    expect(deadlineEvent(done, '').alarms).toEqual([]);
    expect(deadlineEvent(done, '').summary).toMatch(/^Done: /u);
    expect(entryStatusText({ kind: 'response', states: ['missed'], over: true })).toBe('missed');
  });
});
