import { daysLater, weekdayOf, type WallClock } from '../deadlines/wallclock';

/** What a prompt says of a deadline: a weekday or a date, and perhaps a time of day. */
export type SaidMoment = { weekday?: string; date?: string; time?: string };

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
/** A date further back than this is meant for the coming year. */
const BACK_DAYS = 120;

function onDate(date: string, after: WallClock): WallClock | null {
  const year = Number(after.slice(0, 4));
  const earliest = daysLater(after, -BACK_DAYS);
  const found = [year - 1, year, year + 1].map((y) => `${y}-${date}T00:00`).find((w) => w >= earliest);
  // The 29th of February, and other days that a year does not have.
  return found && daysLater(found, 0) === found ? found : null;
}

/**
 * The date and time that a said deadline means: the first such weekday from `after` on (its own day included), or the
 * date in the year in which it is due; 23:59 where no time is said. Null where no day is said.
 *
 * @example momentSaid({ weekday: 'thu' }, '2026-11-24T09:00') // '2026-11-26T23:59'
 */
export function momentSaid(said: SaidMoment, after: WallClock): WallClock | null {
  const time = said.time ?? '23:59';
  if (said.date) {
    const day = onDate(said.date, after);
    return day && `${day.slice(0, 10)}T${time}`;
  }
  const wanted = WEEKDAYS.indexOf(said.weekday ?? '') + 1;
  if (wanted === 0) return null;
  const on = `${daysLater(after, (wanted - weekdayOf(after) + 7) % 7).slice(0, 10)}T${time}`;
  return on < after ? daysLater(on, 7) : on;
}
