import ICAL from 'ical.js';
import { instantOf } from '../deadlines/wallclock';
import { instant } from '../ids';
import { calendarText, type FeedEvent } from './feed';
import { importBusy } from './import';
import { vtimezone } from './vtimezone';

const event = (over: Partial<FeedEvent> = {}): FeedEvent => ({
  uid: 'response-1@pulpit',
  sequence: 0,
  changedAt: instant(Date.UTC(2026, 9, 13, 15, 42)),
  start: '2026-10-15T23:59',
  zone: 'Europe/London',
  minutes: 1,
  summary: 'GEO 115: response due',
  description:
    'Still owed; one response,\nthree replies: “Ümläute” and a very long line that has to be folded at its seventy-fifth octet',
  url: 'http://localhost:4170/discussions/geo-115-w6',
  category: 'GEO 115',
  alarms: [1_440, 120],
  takesTime: false,
  ...over,
});

const parsed = (events: FeedEvent[]) =>
  new ICAL.Component(ICAL.parse(calendarText('Pulpit', events)) as unknown[]);

describe('a calendar feed', () => {
  it('is folded at 75 octets, ends its lines with CRLF, and says its name', () => {
    const text = calendarText('Pulpit', [event()]);
    for (const line of text.split('\r\n'))
      expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/u);
    expect(parsed([event()]).getFirstPropertyValue('x-wr-calname')).toBe('Pulpit');
  });
  it('holds each event with its stable UID, its sequence, its alarms and its words', () => {
    const found = parsed([event({ sequence: 3 })]).getFirstSubcomponent('vevent');
    expect(found?.getFirstPropertyValue('uid')).toBe('response-1@pulpit');
    expect(found?.getFirstPropertyValue('sequence')).toBe(3);
    expect(found?.getFirstPropertyValue('description')).toBe(event().description);
    expect(found?.getAllSubcomponents('valarm')).toHaveLength(2);
    expect(found?.getFirstPropertyValue('transp')).toBe('TRANSPARENT');
  });
  it('describes each zone once, rightly for every day of the year', () => {
    const zones = [
      'Europe/London',
      'Europe/Athens',
      'America/St_Johns',
      'Australia/Lord_Howe',
      'Asia/Kolkata',
      'UTC',
    ];
    for (const name of zones) {
      const component = vtimezone(name, instant(Date.UTC(2026, 0, 1)), instant(Date.UTC(2027, 11, 31)));
      const zone = new ICAL.Timezone(component);
      for (let day = 0; day < 700; day += 3) {
        const date = new Date(Date.UTC(2026, 0, 2 + day));
        const wall = `${date.toISOString().slice(0, 10)}T13:30`;
        const time = ICAL.Time.fromDateTimeString(`${wall}:00`);
        time.zone = zone;
        expect([name, wall, time.toUnixTime() * 1_000]).toEqual([name, wall, instantOf(wall, name)]);
      }
    }
  });
  it('writes a start that exists twice in UTC, for a reader would take the earlier one', () => {
    const text = calendarText('Pulpit', [event({ start: '2026-10-25T01:30' })]);
    expect(text).toContain('DTSTART:20261025T013000Z');
    const plain = calendarText('Pulpit', [event({ start: '2026-10-25T02:30' })]);
    expect(plain).toContain('DTSTART;TZID=Europe/London:20261025T023000');
  });
  it('is read by our own importer as it was meant', () => {
    const sitting = event({
      minutes: 45,
      takesTime: true,
      start: '2026-10-14T18:30',
      summary: 'Write; then, rest',
    });
    const window = { from: instant(Date.UTC(2026, 9, 1)), to: instant(Date.UTC(2026, 10, 1)), zone: 'UTC' };
    const { busy, problems } = importBusy(calendarText('Pulpit', [event(), sitting]), window);
    expect(problems).toEqual([]);
    expect(busy).toEqual([
      {
        start: instantOf('2026-10-14T18:30', 'Europe/London'),
        end: instantOf('2026-10-14T19:15', 'Europe/London'),
        title: 'Write; then, rest',
      },
    ]);
  });
});
