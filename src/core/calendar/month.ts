import { Temporal } from 'temporal-polyfill';
import { instant, type Instant } from '../ids';
import { remember } from '../memo';

export type CalendarDay = { date: string; start: Instant; end: Instant };

/**
 * So many days from a date on in a zone; a day on which the clocks change is 23 or 25 hours long.
 * @example daysFrom('2026-10-25', 1, 'Europe/Dublin') // one day of 25 hours
 */
export function daysFrom(date: string, count: number, zone: string): CalendarDay[] {
  const first = Temporal.PlainDate.from(date);
  const start = (d: Temporal.PlainDate) => instant(d.toZonedDateTime(zone).epochMilliseconds);
  return Array.from({ length: count }, (_, i) => {
    const day = first.add({ days: i });
    return { date: day.toString(), start: start(day), end: start(day.add({ days: 1 })) };
  });
}

/**
 * The whole weeks that hold a month, `YYYY-MM`, as days of a zone, each from the day on with which a week begins.
 * @example monthDays('2026-10', 'UTC', 7) // from Sunday 27 September to Saturday 31 October
 */
export const monthDays = (month: string, zone: string, begins = 1): CalendarDay[] =>
  monthHolding(month, zone, begins);

const monthHolding = remember((month: string, zone: string, begins: number): CalendarDay[] => {
  const first = Temporal.PlainYearMonth.from(month).toPlainDate({ day: 1 });
  const last = first.add({ months: 1 }).subtract({ days: 1 });
  const start = first.subtract({ days: (first.dayOfWeek - begins + 7) % 7 });
  const end = last.add({ days: (begins + 6 - last.dayOfWeek + 7) % 7 });
  return daysFrom(start.toString(), start.until(end, { largestUnit: 'days' }).days + 1, zone);
}, 200);

/** The month so many months later. @example monthLater('2026-12', 1) // '2027-01' */
export const monthLater = (month: string, by: number) =>
  Temporal.PlainYearMonth.from(month).add({ months: by }).toString();

/**
 * The date so many days later.
 * @example dateLater('2026-10-31', 1) // '2026-11-01'
 */
export const dateLater = (date: string, by: number) =>
  Temporal.PlainDate.from(date).add({ days: by }).toString();
