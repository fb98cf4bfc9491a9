import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import { findIana } from 'windows-iana';
import { instant, type Instant } from '../ids';
import { remember } from '../memo';
import type { Block } from './blocks';
import type { ContentLine } from './lines';
import { isZone } from './vtimezone';

/** How the times of one event are to be read: as UTC, by a zone the platform knows, or by one the file describes. */
export type TimeZoneReader = (time: ICAL.Time) => Instant;

const wall = (t: ICAL.Time) => t.toString().replace('Z', '').slice(0, 19);

/** A time that exists twice is the first of the two, one that does not exist is told by the clock before (RFC 5545 §3.3.5). */
const momentOf = remember((said: string, zone: string): Instant => {
  const time = Temporal.PlainDateTime.from(said);
  return instant(time.toZonedDateTime(zone, { disambiguation: 'compatible' }).epochMilliseconds);
}, 20_000);

const byPlatform =
  (zone: string): TimeZoneReader =>
  (t) =>
    momentOf(t.isDate ? `${wall(t).slice(0, 10)}T00:00:00` : wall(t), zone);

const byFile =
  (zone: ICAL.Timezone): TimeZoneReader =>
  (t) => {
    const local = t.clone();
    local.zone = zone;
    return instant(local.toUnixTime() * 1_000);
  };

const inUtc: TimeZoneReader = (t) => instant(Date.parse(`${wall(t)}Z`));

/**
 * The zones a file describes, by name; one that cannot be read is as if it were not there.
 * @example a file with a VTIMEZONE of `TZID:Campus` gives a map of one zone, 'Campus'
 */
export function describedZones(found: readonly Block[]): Map<string, ICAL.Timezone> {
  const zones = new Map<string, ICAL.Timezone>();
  for (const block of found) {
    if (block.kind !== 'VTIMEZONE') continue;
    const write = (b: Block): string =>
      [`BEGIN:${b.kind}`, ...b.lines.map((l) => l.raw), ...b.inner.map(write), `END:${b.kind}`].join('\r\n');
    try {
      const component = new ICAL.Component(ICAL.parse(write(block)) as unknown[]);
      const zone = new ICAL.Timezone(component);
      zone.utcOffset(ICAL.Time.fromDateTimeString('2026-01-01T00:00:00'));
      if (block.inner.length) zones.set(zone.tzid, zone);
    } catch {
      // ical.js throws plain errors of several kinds on malformed components; the zone then counts as unknown.
    }
  }
  return zones;
}

/**
 * What the platform calls a zone that programs call otherwise: by a name of Windows, or by a longer one, which says first who maintains it
 * (`/example.org/zones/Europe/London`).
 */
function usualName(name: string): string | null {
  const ends = [3, 2].map((n) => name.split('/').slice(-n).join('/'));
  return [findIana(name)[0], ...ends].find((n) => n !== undefined && isZone(n)) ?? null;
}

/**
 * Reads the zone of a date-time line: "Z" is UTC, none is the reader's own zone, a name is looked up on the platform
 * first (it knows the changes of clocks best), in the file second, and among the names that Windows has for zones. Null for
 * a zone nobody knows.
 *
 * @example a line `DTSTART:20261015T090000Z` is read in UTC; one with `TZID=Nowhere/At-All` that the file does not describe, null
 */
export function zoneOf(
  line: ContentLine,
  described: Map<string, ICAL.Timezone>,
  own: string,
): TimeZoneReader | null {
  if (/Z$/u.test(line.value.trim())) return inUtc;
  const name = line.params.get('TZID');
  if (name === undefined) return byPlatform(own);
  const bare = name.replace(/^\//u, '');
  if (isZone(bare)) return byPlatform(bare);
  const zone = described.get(name);
  if (zone) return byFile(zone);
  const usual = usualName(name);
  return usual === null ? null : byPlatform(usual);
}

/** A DATE or DATE-TIME value, or null for what is neither. @example readTime('20261015T235900Z') */
export function readTime(value: string): ICAL.Time | null {
  const m = /^(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2})?Z?)?$/u.exec(value.trim());
  if (!m) return null;
  const [year = 0, month = 0, day = 0, hour, minute = 0, second = 0] = m
    .slice(1)
    .map((p) => p && Number(p)) as number[];
  const isDate = hour === undefined;
  const date = new Date(Date.UTC(year, month - 1, day));
  if (date.getUTCMonth() !== month - 1 || date.getUTCDate() !== day) return null;
  if (!isDate && (hour > 23 || minute > 59 || second > 60)) return null;
  return new ICAL.Time(
    { year, month, day, hour: hour ?? 0, minute, second: Math.min(second, 59), isDate },
    ICAL.Timezone.localTimezone,
  );
}
