import type ICAL from 'ical.js';
import { instant, type Instant } from '../ids';
import type { Block } from './blocks';
import type { ContentLine } from './lines';
import { readTime, zoneOf, type TimeZoneReader } from './moments';

/** What is wrong with an event, with the line it stands on. */
export type EventProblem =
  | { code: 'no-start'; line: number; title: string }
  | { code: 'bad-time'; line: number; value: string }
  | { code: 'unknown-zone'; line: number; zone: string }
  | { code: 'ends-before-start'; line: number; title: string };

/** The zones a file describes, and the reader's own. */
export type Zones = { described: Map<string, ICAL.Timezone>; own: string };

/**
 * How long something takes. Days are those of a calendar, so that a day on which the clocks change is one; the rest is time that passes
 * (RFC 5545 §3.3.6, §3.8.5.3).
 */
export type Length = { days: number; ms: number };

/** One time of a list: where it begins, and how long it takes where it says so itself. */
export type Listed = { time: ICAL.Time; at: TimeZoneReader; length: Length | null };

export type Event = {
  uid: string;
  title: string;
  line: number;
  start: ICAL.Time;
  at: TimeZoneReader;
  length: Length;
  rule: ContentLine | null;
  added: Listed[];
  except: Listed[];
  /** Of which time of its series it stands in place; and of all that follow. */
  replaces: { start: Instant; time: ICAL.Time; onwards: boolean } | null;
  /** It takes up no time: it was called off, or leaves one free. */
  free: boolean;
  sequence: number;
};

const DAY_MS = 86_400_000;
const DURATION = /^\+?P(?:(\d+)W|(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?)$/u;

function durationOf(value: string): Length | null {
  const m = DURATION.exec(value.trim());
  if (!m) return null;
  const [w = 0, d = 0, h = 0, min = 0, s = 0] = m.slice(1).map((p) => Number(p ?? 0));
  return { days: w * 7 + d, ms: ((h * 60 + min) * 60 + s) * 1_000 };
}

/** How many days of the calendar lie between two dates. */
const daysBetween = (from: ICAL.Time, to: ICAL.Time) =>
  Math.round(
    (Date.UTC(to.year, to.month - 1, to.day) - Date.UTC(from.year, from.month - 1, from.day)) / DAY_MS,
  );

/**
 * When something that begins at a time is over.
 * @example a day that begins on the night the clocks go back ends 25 hours later
 */
export function endOf(time: ICAL.Time, at: TimeZoneReader, length: Length): Instant {
  if (length.days === 0) return instant(at(time) + length.ms);
  const later = time.clone();
  later.adjust(length.days, 0, 0, 0);
  return instant(at(later) + length.ms);
}

const words = (value: string) =>
  value
    .replace(/\\n/giu, ' ')
    .replace(/\\([,;\\])/gu, '$1')
    .replace(/\s+/gu, ' ')
    .trim()
    .slice(0, 200);

/**
 * What an entry is called; "Busy" where it has no name.
 * @example titleOf of a block with `SUMMARY:Late\, at the mill` is 'Late, at the mill'
 */
export const titleOf = (block: Block) =>
  words(block.lines.find((l) => l.name === 'SUMMARY')?.value ?? '') || 'Busy';

/**
 * The times that RDATE, EXDATE or FREEBUSY lines list, periods with their lengths. What cannot be read is left out.
 * @example a line `RDATE;VALUE=PERIOD:20261020T090000Z/PT2H` lists one time of two hours
 */
export function listed(lines: readonly ContentLine[], { described, own }: Zones): Listed[] {
  return lines.flatMap((l) =>
    l.value.split(',').flatMap((value): Listed[] => {
      const [from = '', to] = value.split('/');
      const time = readTime(from);
      // A list may say "Z" of some of its times.
      const at = zoneOf({ ...l, value: from }, described, own);
      if (!time || !at) return [];
      if (to === undefined) return [{ time, at, length: null }];
      const end = readTime(to);
      const length = end ? { days: 0, ms: at(end) - at(time) } : durationOf(to);
      return length ? [{ time, at, length }] : [];
    }),
  );
}

/**
 * One event's own lines as a value, or what is wrong with it.
 * @example a block without DTSTART gives `{ code: 'no-start', … }`
 */
export function readEvent(block: Block, zones: Zones): Event | EventProblem {
  const { described, own } = zones;
  const line = (name: string) => block.lines.find((l) => l.name === name) ?? null;
  const all = (name: string) => block.lines.filter((l) => l.name === name);
  const said = (name: string) => line(name)?.value.trim().toUpperCase();
  const title = titleOf(block);
  const dtstart = line('DTSTART');
  if (!dtstart) return { code: 'no-start', line: block.line, title };
  const badTime = (l: ContentLine) => ({
    code: 'bad-time' as const,
    line: l.line,
    value: l.value.slice(0, 60),
  });
  const noZone = (l: ContentLine) => ({
    code: 'unknown-zone' as const,
    line: l.line,
    zone: l.params.get('TZID') ?? '',
  });
  const start = readTime(dtstart.value);
  if (!start) return badTime(dtstart);
  const at = zoneOf(dtstart, described, own);
  if (!at) return noZone(dtstart);

  let length: Length | null = start.isDate ? { days: 1, ms: 0 } : { days: 0, ms: 0 };
  const dtend = line('DTEND');
  const duration = line('DURATION');
  if (dtend) {
    const end = readTime(dtend.value);
    if (!end) return badTime(dtend);
    const atEnd = zoneOf(dtend, described, own);
    if (!atEnd) return noZone(dtend);
    length =
      start.isDate && end.isDate
        ? { days: daysBetween(start, end), ms: 0 }
        : { days: 0, ms: atEnd(end) - at(start) };
    if (length.days < 0 || length.ms < 0) return { code: 'ends-before-start', line: dtend.line, title };
  } else if (duration) {
    length = durationOf(duration.value);
    if (!length) return badTime(duration);
  }
  const original = line('RECURRENCE-ID');
  const [replaced] = original ? listed([original], zones) : [];
  return {
    uid: line('UID')?.value.trim() ?? `line ${block.line}`,
    title,
    line: block.line,
    start,
    at,
    length,
    rule: line('RRULE'),
    added: listed(all('RDATE'), zones),
    except: listed(all('EXDATE'), zones),
    replaces: replaced
      ? {
          start: replaced.at(replaced.time),
          time: replaced.time,
          onwards: original?.params.get('RANGE')?.toUpperCase() === 'THISANDFUTURE',
        }
      : null,
    free: said('STATUS') === 'CANCELLED' || said('TRANSP') === 'TRANSPARENT',
    sequence: Number(line('SEQUENCE')?.value) || 0,
  };
}
