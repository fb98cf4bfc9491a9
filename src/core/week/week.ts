import { Temporal } from 'temporal-polyfill';
import { dayIn } from '../deadlines/day';
import { instant, type Instant } from '../ids';
import { remember } from '../memo';

export type WeekDay = { date: string; start: Instant; end: Instant };

const weekHolding = remember((date: string, zone: string, begins: number): WeekDay[] => {
  const today = Temporal.PlainDate.from(date);
  const first = today.subtract({ days: (today.dayOfWeek - begins + 7) % 7 });
  return Array.from({ length: 7 }, (_, i) => {
    const day = first.add({ days: i });
    const start = (d: Temporal.PlainDate) => instant(d.toZonedDateTime(zone).epochMilliseconds);
    return { date: day.toString(), start: start(day), end: start(day.add({ days: 1 })) };
  });
}, 2_000);

/**
 * The seven days of the week that holds a moment, in a zone, from the day on with which it begins (1 for Monday to 7 for Sunday); a day of
 * clock change is 23 or 25 hours long.
 * @example a Wednesday gives the Monday before it and the six days after that
 */
export const weekOf = (now: Instant, zone: string, begins = 1): WeekDay[] =>
  weekHolding(dayIn(now, zone), zone, begins);
