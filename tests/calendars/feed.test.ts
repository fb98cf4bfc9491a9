import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { calendarText, type FeedEvent } from '@/core/calendar/feed';
import { instantOf } from '@/core/deadlines/wallclock';
import { instant } from '@/core/ids';

type Read = Pick<FeedEvent, 'uid' | 'summary' | 'description' | 'alarms' | 'takesTime'> & {
  from: string;
  to: string;
};

/** The entries of a calendar of ours as two programs that know nothing of it read them. */
const readByOthers = (text: string) =>
  JSON.parse(
    execFileSync('/usr/bin/python3', [join(__dirname, 'read-feed.py')], { input: text, encoding: 'utf8' }),
  ) as { vobject: Read[]; icalendar: Read[] };

/** Days around the changes of clocks of both halves of the earth, a day between, and times that exist twice or not at all. */
const DAYS = [
  '2026-03-08',
  '2026-03-29',
  '2026-04-05',
  '2026-06-15',
  '2026-10-04',
  '2026-10-25',
  '2026-11-01',
];
const TIMES = ['00:00', '01:30', '02:30', '03:00', '23:59'];
const ZONES = [
  'Europe/London',
  'Europe/Athens',
  'America/New_York',
  'America/St_Johns',
  'Asia/Tokyo',
  'Asia/Kathmandu',
  'Australia/Adelaide',
  'Pacific/Auckland',
  'Africa/Casablanca',
  'UTC',
];

const events = ZONES.flatMap((zone) =>
  DAYS.flatMap((day) =>
    TIMES.map((time, i): FeedEvent => ({
      uid: `${zone}-${day}-${time}@pulpit`,
      sequence: i,
      changedAt: instant(Date.UTC(2026, 0, 2, 3, 4, 5)),
      start: `${day}T${time}`,
      zone,
      minutes: i === 0 ? 90 : 1,
      summary: `GEO 115; response, “due” \\ ${time}`,
      description: `Still owed:\none response, three replies; ${'Ümläute 🜂 '.repeat(20)}`,
      url: 'https://pulpit.example/discussions/geo-115-w6?a=1,2;3',
      category: 'GEO 115',
      alarms: i % 2 ? [1_440, 120] : [],
      takesTime: i === 0,
    })),
  ),
);

const seconds = (ms: number) => new Date(ms).toISOString().replace('.000Z', 'Z');
const meant = events.map((e): Read => {
  const from = instantOf(e.start, e.zone);
  const { uid, summary, alarms, takesTime } = e;
  const { description } = e;
  return {
    uid,
    from: seconds(from),
    to: seconds(from + e.minutes * 60_000),
    summary,
    description,
    alarms,
    takesTime,
  };
});

test.each(['vobject', 'icalendar'] as const)(
  'a calendar of deadlines is read by %s as it is meant: to the second, on every day that a clock changes',
  (reader) => {
    const read = readByOthers(calendarText('Deadlines', events))[reader];
    expect(read).toEqual(meant);
  },
);
