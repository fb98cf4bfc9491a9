import { instant, type Instant } from '../ids';
import { Temporal } from 'temporal-polyfill';

export type WeekDay = { date: string; start: Instant; end: Instant };

/** The seven days (Monday first) of the week that holds a moment, in a zone; a day of clock change is 23 or 25 hours long. */
export function weekOf(now: Instant, zone: string): WeekDay[] {
  const today = Temporal.Instant.fromEpochMilliseconds(now).toZonedDateTimeISO(zone).toPlainDate();
  const monday = today.subtract({ days: today.dayOfWeek - 1 });
  return Array.from({ length: 7 }, (_, i) => {
    const day = monday.add({ days: i });
    const start = (d: Temporal.PlainDate) => instant(d.toZonedDateTime(zone).epochMilliseconds);
    return { date: day.toString(), start: start(day), end: start(day.add({ days: 1 })) };
  });
}
