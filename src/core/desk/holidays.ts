import { daysLater } from '../deadlines/wallclock';
import { fail, ok, type Result } from '../result';

/** Days on which a course rests, both of them among it; dates of the course's clock. */
export type Holiday = { from: string; to: string; name: string };

const LINE = /^(\d{4}-\d\d-\d\d)(?:\s*(?:to|until|-|–)\s*(\d{4}-\d\d-\d\d))?[\s,:]+(.+)$/u;
const MOST = 20;

const isDate = (text: string) => {
  const at = Date.parse(`${text}T00:00Z`);
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
};

/**
 * Holidays as they are typed, one on each line: "2026-10-26 to 2026-10-30 Reading week".
 *
 * @returns the holidays in order, or the lines that cannot be read
 * @example holidaysOf("2026-11-09 Founders’ day") // one, from and to that day
 */
export function holidaysOf(text: string): Result<Holiday[], { code: 'holidays'; lines: string[] }> {
  const lines = text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);
  const read = lines.map((line): Holiday | null => {
    const m = LINE.exec(line);
    const [from, to] = [m?.[1] ?? '', m?.[2] ?? m?.[1] ?? ''];
    return m && isDate(from) && isDate(to) && from <= to
      ? { from, to, name: (m[3] ?? '').trim().slice(0, 80) }
      : null;
  });
  const wrong = lines.filter((_, i) => read[i] === null || i >= MOST);
  return wrong.length
    ? fail({ code: 'holidays', lines: wrong })
    : ok(read.flatMap((h) => h ?? []).sort((a, b) => a.from.localeCompare(b.from)));
}

/** @example holidaysText([{ from: '2026-10-26', to: '2026-10-26', name: 'Day off' }]) // '2026-10-26 Day off' */
export const holidaysText = (holidays: readonly Holiday[]): string =>
  holidays
    .map((h) => (h.from === h.to ? `${h.from} ${h.name}` : `${h.from} to ${h.to} ${h.name}`))
    .join('\n');

/**
 * The holiday in which a date lies, or a time on it; null where the course works.
 * @example holidayOn(holidays, '2026-10-29T23:59')?.name // 'Reading week'
 */
export const holidayOn = (holidays: readonly Holiday[], wall: string): Holiday | null =>
  holidays.find((h) => h.from <= wall.slice(0, 10) && wall.slice(0, 10) <= h.to) ?? null;

/**
 * The holidays that a week touches.
 * @example inWeek(holidays, '2026-10-26') // those with a day from that Monday to its Sunday
 */
export function inWeek(holidays: readonly Holiday[], startsOn: string): Holiday[] {
  const last = daysLater(`${startsOn}T00:00`, 6).slice(0, 10);
  return holidays.filter((h) => h.from <= last && h.to >= startsOn);
}

/**
 * When the next week begins that is not a holiday from its first working day to its last: the date itself, or so many weeks later.
 * @example afterHolidays(holidays, '2026-10-26') // '2026-11-02' where the Monday to the Friday are reading week
 */
export function afterHolidays(holidays: readonly Holiday[], startsOn: string): string {
  const days = [0, 1, 2, 3, 4].map((n) => daysLater(`${startsOn}T00:00`, n));
  return days.every((day) => holidayOn(holidays, day))
    ? afterHolidays(holidays, daysLater(`${startsOn}T00:00`, 7).slice(0, 10))
    : startsOn;
}

/**
 * The first days of so many weeks in a row, holidays passed over.
 * @example weekStarts(holidays, '2026-10-19', 2) // ['2026-10-19', '2026-11-02'] around a reading week of the 26th
 */
export function weekStarts(holidays: readonly Holiday[], first: string, n: number): string[] {
  const starts: string[] = [];
  for (let next = first; starts.length < n; next = daysLater(`${next}T00:00`, 7).slice(0, 10)) {
    next = afterHolidays(holidays, next);
    starts.push(next);
  }
  return starts;
}
