import { instant } from '../ids';
import { importBusy } from './import';
import { startPace } from '../../../tests/fixtures/pace';

const FROM = instant(Date.UTC(2026, 9, 1));
const TO = instant(Date.UTC(2026, 11, 1));
const window = { from: FROM, to: TO, zone: 'Europe/London' };

const file = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:a', 'SUMMARY:Shift', ...lines, 'END:VEVENT'];
const read = (...lines: string[]) => importBusy(file(...lines), window);
const iso = (times: { start: number; end: number }[]) =>
  times.map(
    (t) => `${new Date(t.start).toISOString().slice(0, 16)}/${new Date(t.end).toISOString().slice(11, 16)}`,
  );

describe('a sound file', () => {
  it('gives the times of its events, in UTC, in a zone, or in the reader’s own', () => {
    const found = read(
      ...event('DTSTART:20261014T100000Z', 'DTEND:20261014T113000Z'),
      ...event('DTSTART;TZID=Europe/Athens:20261014T100000', 'DURATION:PT1H30M'),
      ...event('DTSTART:20261014T100000', 'DTEND:20261014T110000'),
    );
    expect(found.problems).toEqual([]);
    expect(iso(found.busy)).toEqual([
      '2026-10-14T07:00/08:30',
      '2026-10-14T09:00/10:00',
      '2026-10-14T10:00/11:30',
    ]);
    expect(found.busy[0]?.title).toBe('Shift');
  });
  it('holds whole days, and leaves out what is cancelled, free, or of no length', () => {
    const found = read(
      ...event('DTSTART;VALUE=DATE:20261014'),
      ...event('DTSTART:20261014T100000Z', 'DTEND:20261014T113000Z', 'STATUS:CANCELLED'),
      ...event('DTSTART:20261014T100000Z', 'DTEND:20261014T113000Z', 'TRANSP:TRANSPARENT'),
      ...event('DTSTART:20261014T100000Z'),
    );
    expect(iso(found.busy)).toEqual(['2026-10-13T23:00/23:00']);
    expect(found.problems).toEqual([]);
  });
  it('repeats by the wall clock, over the night the clocks change', () => {
    const found = read(
      ...event('DTSTART;TZID=Europe/London:20261019T090000', 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY;COUNT=3'),
    );
    expect(iso(found.busy)).toEqual([
      '2026-10-19T08:00/09:00',
      '2026-10-26T09:00/10:00',
      '2026-11-02T09:00/10:00',
    ]);
  });
  it('leaves out exceptions, moves single times, and adds further ones', () => {
    const found = read(
      ...event(
        'DTSTART:20261005T090000Z',
        'DURATION:PT1H',
        'RRULE:FREQ=DAILY;COUNT=4',
        'EXDATE:20261006T090000Z',
        'RDATE:20261020T090000Z',
      ),
      ...event('RECURRENCE-ID:20261007T090000Z', 'DTSTART:20261007T150000Z', 'DURATION:PT1H'),
    );
    expect(iso(found.busy).map((t) => t.slice(0, 16))).toEqual([
      '2026-10-05T09:00',
      '2026-10-07T15:00',
      '2026-10-08T09:00',
      '2026-10-20T09:00',
    ]);
  });
  it('may describe a zone of its own', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Harbour Time',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0300',
      'TZOFFSETTO:+0300',
      'END:STANDARD',
      'END:VTIMEZONE',
    ];
    const found = read(...zone, ...event('DTSTART;TZID=Harbour Time:20261014T100000', 'DURATION:PT1H'));
    expect(found.problems).toEqual([]);
    expect(iso(found.busy)).toEqual(['2026-10-14T07:00/08:00']);
  });
  it('may be folded in the middle of a word, and written with bare line feeds', () => {
    const text = file(...event('DTSTART:20261014T1000', ' 00Z', 'DURATION:PT1H')).replaceAll('\r\n', '\n');
    expect(importBusy(text, window).busy).toHaveLength(1);
  });
});

describe('a broken file gives what is sound, and names the line of what is not', () => {
  const good = event('DTSTART:20261020T100000Z', 'DURATION:PT1H');
  it('a fold that lost its blank', () => {
    const found = read(
      ...event(
        'DESCRIPTION:This was folded',
        'by somebody careless',
        'DTSTART:20261014T100000Z',
        'DURATION:PT1H',
      ),
    );
    expect(found.problems).toEqual([{ code: 'broken-line', line: 7 }]);
    expect(found.busy).toHaveLength(1);
  });
  it('an endless recurrence: taken as far as the window goes', () => {
    const found = read(...event('DTSTART:20200101T100000Z', 'DURATION:PT1H', 'RRULE:FREQ=DAILY'), ...good);
    expect(found.problems).toEqual([{ code: 'endless', line: 8, title: 'Shift' }]);
    expect(found.busy).toHaveLength(61 + 1);
  });
  it('one that repeats every second for ever', () => {
    const took = startPace();
    const found = read(...event('DTSTART:19700101T000000Z', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY'), ...good);
    expect(found.problems).toEqual([{ code: 'too-often', line: 8, title: 'Shift' }]);
    expect(found.busy).toHaveLength(1);
    expect(took()).toBeLessThan(10_000);
  });
  it.each([
    [
      'a zone nobody knows',
      ['DTSTART;TZID=Mars/Olympus:20261014T100000', 'DURATION:PT1H'],
      { code: 'unknown-zone', line: 6, zone: 'Mars/Olympus' },
    ],
    [
      'a time that is none',
      ['DTSTART:20261345T990000Z', 'DURATION:PT1H'],
      { code: 'bad-time', line: 6, value: '20261345T990000Z' },
    ],
    [
      'the thirty-first of November',
      ['DTSTART:20261131T100000Z', 'DURATION:PT1H'],
      { code: 'bad-time', line: 6, value: '20261131T100000Z' },
    ],
    ['no start', ['DURATION:PT1H'], { code: 'no-start', line: 3, title: 'Shift' }],
    [
      'an end before its start',
      ['DTSTART:20261014T100000Z', 'DTEND:20261014T090000Z'],
      { code: 'ends-before-start', line: 7, title: 'Shift' },
    ],
    [
      'a length that is none',
      ['DTSTART:20261014T100000Z', 'DURATION:an hour'],
      { code: 'bad-time', line: 7, value: 'an hour' },
    ],
  ])('%s', (_name, lines, problem) => {
    const found = read(...event(...lines), ...good);
    expect(found.problems).toEqual([problem]);
    expect(iso(found.busy)).toEqual(['2026-10-20T10:00/11:00']);
  });
  it('a rule that makes no sense: the first time is kept', () => {
    const found = read(
      ...event('DTSTART:20261014T100000Z', 'DURATION:PT1H', 'RRULE:FREQ=SOMETIMES'),
      ...good,
    );
    expect(found.problems).toEqual([{ code: 'bad-rule', line: 8, title: 'Shift' }]);
    expect(found.busy).toHaveLength(2);
  });
  it('an event that is never closed, and one that is cut off', () => {
    const open = ['BEGIN:VEVENT', 'DTSTART:20261014T100000Z', 'DURATION:PT1H'];
    expect(read(...open, ...good).problems).toEqual([{ code: 'unclosed', line: 3 }]);
    const text = `BEGIN:VCALENDAR\r\n${good.join('\r\n')}\r\n${open.join('\r\n')}`;
    const found = importBusy(text, window);
    expect(found.problems).toEqual([{ code: 'unclosed', line: 8 }]);
    expect(found.busy).toHaveLength(1);
  });
  it('a file that was too large to be read to its end', () => {
    const text = file(...good).slice(0, -16);
    const found = importBusy(`${text}\r\nBEGIN:VEVENT\r\nDTST`, window, true);
    expect(found.busy).toHaveLength(1);
    expect(found.problems.map((p) => p.code)).toContain('cut');
  });
  it.each([
    ['nothing', ''],
    ['a picture', '\u0089PNG\r\n\u001a\n\u0000\u0000'],
    ['a page', '<!doctype html><title>Sign in</title>'],
    ['a letter', 'Dear all,\nplease find attached.'],
  ])('%s is no calendar', (_name, text) => {
    expect(importBusy(text, window)).toMatchObject({ busy: [], problems: [{ code: 'not-a-calendar' }] });
  });
});

describe('a hostile file', () => {
  it('of very many events ends at its limit and in time', () => {
    const many = Array.from({ length: 25_000 }, (_, i) =>
      event(`DTSTART:202610${String(1 + (i % 28)).padStart(2, '0')}T100000Z`, 'DURATION:PT1H').join('\r\n'),
    );
    const took = startPace();
    const found = read(...many);
    expect(found.busy).toHaveLength(5_000);
    expect(found.problems.map((p) => p.code)).toEqual(['too-many']);
    expect(took()).toBeLessThan(20_000);
  });
  it('of many endless rules does not multiply', () => {
    const many = Array.from({ length: 300 }, () =>
      event('DTSTART:20260101T000000Z', 'DURATION:PT1M', 'RRULE:FREQ=MINUTELY').join('\r\n'),
    );
    const took = startPace();
    const found = read(...many);
    expect(found.busy.length).toBeLessThanOrEqual(10_000);
    expect(found.problems.length).toBeLessThanOrEqual(200);
    expect(took()).toBeLessThan(40_000);
  });
  it('of one endless line, of deep nesting, of odd bytes, is only a broken file', () => {
    expect(
      read(`X:${'y'.repeat(500_000)}`, ...event('DTSTART:20261014T100000Z', 'DURATION:PT1H')).busy,
    ).toHaveLength(1);
    const deep = [...Array(3_000).fill('BEGIN:VALARM'), ...Array(3_000).fill('END:VALARM')];
    expect(read(...deep, ...event('DTSTART:20261014T100000Z', 'DURATION:PT1H')).busy).toHaveLength(1);
    expect(() => read('\u0000;\u0000=\u0000:', 'BEGIN:', ';:;:', 'RRULE')).not.toThrow();
  });
});
