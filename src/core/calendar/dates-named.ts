import { wallClockAt, type WallClock } from '../deadlines/wallclock';
import { blocks } from './blocks';
import { contentLines } from './lines';
import { describedZones, readTime, zoneOf } from './moments';

/** A time that a calendar file gives a name: an event's beginning, or when a task is due; and how what it says of it begins. */
export type NamedDate = { title: string; wall: WallClock; about?: string };

const MOST_DATES = 300;
const MOST_ABOUT = 300;

const plain = (value: string) =>
  value
    .replace(/\\n/giu, ' ')
    .replace(/\\([,;\\])/gu, '$1')
    .replace(/\s+/gu, ' ')
    .trim();

/**
 * The times that an iCalendar file (RFC 5545) names, as the wall clock of a zone shows them, in order: among them somebody looks for
 * a deadline. A date without a time is its last minute. What cannot be read is left out. Null for a file that is no
 * calendar.
 *
 * @example a VEVENT with `DUE;TZID=Europe/Dublin:20261015T235900`, asked for in Dublin, gives its name and 2026-10-15T23:59
 */
export function datesNamed(text: string, zone: string): NamedDate[] | null {
  const { calendar, found } = blocks(contentLines(text).lines);
  if (!calendar) return null;
  const described = describedZones(found);
  const dates = found.flatMap((block): NamedDate[] => {
    if (block.kind !== 'VEVENT' && block.kind !== 'VTODO') return [];
    const line = (name: string) => block.lines.find((l) => l.name === name);
    if (line('STATUS')?.value.trim().toUpperCase() === 'CANCELLED') return [];
    const at = line('DUE') ?? line('DTSTART');
    const time = at && readTime(at.value);
    const reader = at && zoneOf(at, described, zone);
    if (!time || !reader) return [];
    const wall = wallClockAt(reader(time), zone);
    const about = plain(`${line('CATEGORIES')?.value ?? ''} ${line('DESCRIPTION')?.value ?? ''}`).slice(
      0,
      MOST_ABOUT,
    );
    return [
      {
        title: plain(line('SUMMARY')?.value ?? '').slice(0, 160) || 'Without a name',
        wall: time.isDate ? `${wall.slice(0, 10)}T23:59` : wall,
        ...(about ? { about } : {}),
      },
    ];
  });
  return dates.sort((a, b) => a.wall.localeCompare(b.wall)).slice(0, MOST_DATES);
}
