import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { decodedCalendar } from '@/core/calendar/decoded';
import { importBusy } from '@/core/calendar/import';
import { instant } from '@/core/ids';
import { ODD_CALENDARS } from './files';

const window = {
  from: instant(Date.UTC(2026, 9, 1)),
  to: instant(Date.UTC(2026, 11, 1)),
  zone: 'Europe/London',
};
type Times = [number, number][];
type Read = { icalendar: Times | string; khal: Times | string };

const ours = (bytes: Uint8Array): Times => {
  const { busy } = importBusy(decodedCalendar(bytes), window);
  const times = busy.map((b) => `${b.start / 1_000} ${b.end / 1_000}`);
  return [...new Set(times)].map((t) => t.split(' ').map(Number) as [number, number]);
};
const said = (times: Times | string) =>
  typeof times === 'string' ? times : times.map(([s, e]) => `${iso(s)}/${iso(e)}`.replaceAll(':00.000Z', ''));
const iso = (seconds: number) => new Date(seconds * 1_000).toISOString();

let read: Read[] = [];
beforeAll(() => {
  const asked = {
    zone: window.zone,
    from: window.from / 1_000,
    to: window.to / 1_000,
    calendars: ODD_CALENDARS.map((c) => Buffer.from(c.bytes).toString('base64')),
  };
  const done = spawnSync('/usr/bin/python3', [join(import.meta.dirname, 'read.py')], {
    input: JSON.stringify(asked),
    encoding: 'utf8',
    maxBuffer: 20_000_000,
    timeout: 120_000,
  });
  if (done.status !== 0) throw new Error(done.stderr);
  read = JSON.parse(done.stdout) as Read[];
}, 130_000);

it('there are seventy at least', () => {
  expect(ODD_CALENDARS.length).toBeGreaterThanOrEqual(70);
});

describe('a calendar of an odd kind is read as two others read it', () => {
  it.each(ODD_CALENDARS.map((c, i) => [c.name, i] as const))('%s', (_name, i) => {
    const { bytes, otherwise } = ODD_CALENDARS[i] ?? { bytes: new Uint8Array() };
    for (const reader of ['icalendar', 'khal'] as const) {
      const theirs = said(read[i]?.[reader] ?? '');
      const mine = said(ours(bytes));
      // Where one of them reads it otherwise it is written down why, and that it still does.
      if (otherwise?.readers.includes(reader))
        expect({ reader, times: mine }).not.toEqual({ reader, times: theirs });
      else expect({ reader, times: mine }).toEqual({ reader, times: theirs });
    }
  });
});
