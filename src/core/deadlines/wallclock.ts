import { Temporal } from 'temporal-polyfill';
import { instant, type Instant } from '../ids';
import { remember } from '../memo';

/** A local date and time as a course writes it, `YYYY-MM-DDTHH:MM`; it means a moment only together with a zone. */
export type WallClock = string & { readonly __wallClock?: never };

/**
 * The moment a wall clock shows a time in an IANA zone. A time that does not exist (clocks go forward) moves forward
 * by the gap; one that exists twice (clocks go back) means the later. Throws RangeError for an unknown zone or date.
 *
 * @example instantOf('2026-10-25T01:30', 'Europe/London') // the second 01:30, 2026-10-25T01:30Z
 */
export const instantOf = remember((wall: WallClock, zone: string): Instant => {
  const moment = Temporal.PlainDateTime.from(wall).toZonedDateTime(zone, { disambiguation: 'later' });
  return instant(moment.epochMilliseconds);
}, 20_000);

/**
 * Whether the clocks of a zone show a time twice, on the night they go back.
 * @example isTwofold('2026-10-25T01:30', 'Europe/Dublin') // true
 */
export function isTwofold(wall: WallClock, zone: string): boolean {
  const time = Temporal.PlainDateTime.from(wall);
  const [earlier, later] = (['earlier', 'later'] as const).map((disambiguation) =>
    time.toZonedDateTime(zone, { disambiguation }),
  );
  // In a gap the two differ too, but neither shows the time that was asked for.
  return (
    earlier?.epochMilliseconds !== later?.epochMilliseconds &&
    earlier?.toPlainDateTime().equals(time) === true
  );
}

/**
 * The first moment after a deadline: a wall-clock deadline lasts to the end of its minute, so 23:59 includes
 * 23:59:59.999 and a post is in time when its instant is below this one.
 *
 * @example endOfMinute('2026-10-15T23:59', 'UTC') // 2026-10-16T00:00Z
 */
export const endOfMinute = (wall: WallClock, zone: string): Instant =>
  instant(instantOf(wall, zone) + 60_000);

const daysOn = remember((wall: WallClock, days: string): WallClock => {
  const [date = '', time = ''] = wall.split('T');
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const later = new Date(Date.UTC(year, month - 1, day + Number(days)));
  return `${later.toISOString().slice(0, 10)}T${time}`;
}, 20_000);

/**
 * The wall-clock time so many calendar days later: the same time of day, whatever the zone's clocks do between.
 * @example daysLater('2026-10-24T10:00', 2) // '2026-10-26T10:00'
 */
export const daysLater = (wall: WallClock, days: number): WallClock => daysOn(wall, String(days));

/**
 * What the wall clock of a zone shows at a moment, to the minute.
 * @example wallClockAt(instant(0), 'UTC') // '1970-01-01T00:00'
 */
export function wallClockAt(at: Instant, zone: string): WallClock {
  return Temporal.Instant.fromEpochMilliseconds(at)
    .toZonedDateTimeISO(zone)
    .toPlainDateTime()
    .toString({ smallestUnit: 'minute', roundingMode: 'floor' });
}

/**
 * What the wall clock of a zone shows so many hours later: hours that pass, whatever the clocks do between.
 * @example hoursLater('2026-10-24T23:59', 24, 'Europe/London') // '2026-10-25T22:59': that night has an hour more
 */
export const hoursLater = (wall: WallClock, hours: number, zone: string): WallClock =>
  wallClockAt(instant(instantOf(wall, zone) + hours * 3_600_000), zone);

/** The weekday of a wall clock's date, 1 for Monday to 7 for Sunday. @example weekdayOf('2026-10-15T23:59') // 4 */
export function weekdayOf(wall: WallClock): number {
  const [year = 0, month = 1, day = 1] = wall.slice(0, 10).split('-').map(Number);
  return new Date(Date.UTC(year, month - 1, day)).getUTCDay() || 7;
}
