import { daysLater, type WallClock } from '../deadlines/wallclock';
import { fail, ok, type Result } from '../result';

/** When a discussion opens and its two deadlines, as its course's clocks show them. */
export type Dates = { opens: WallClock; responseDue: WallClock; repliesDue: WallClock };
export type DateField = keyof Dates;
export type DateProblem = { field: DateField; code: 'no-time' | 'before-opening' | 'before-response' };

const WALL = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/u;
const isTime = (wall: string) => WALL.test(wall) && !Number.isNaN(Date.parse(`${wall}:00Z`));

/**
 * The dates somebody wrote, or each that cannot be: a response is due after the opening, replies no earlier than the response.
 *
 * @example a response due before the opening gives `before-opening` at `responseDue`
 */
export function checkedDates(
  said: Record<DateField, string>,
): Result<Dates, { code: 'dates'; problems: DateProblem[] }> {
  const { opens, responseDue, repliesDue } = said;
  const problems: DateProblem[] = (['opens', 'responseDue', 'repliesDue'] as const)
    .filter((field) => !isTime(said[field]))
    .map((field) => ({ field, code: 'no-time' }));
  if (problems.length === 0) {
    if (responseDue <= opens) problems.push({ field: 'responseDue', code: 'before-opening' });
    if (repliesDue < responseDue) problems.push({ field: 'repliesDue', code: 'before-response' });
  }
  return problems.length ? fail({ code: 'dates', problems }) : ok({ opens, responseDue, repliesDue });
}

/**
 * The same dates so many weeks later or, below nought, earlier: on the same weekday and at the same time of the clock, whatever the clocks
 * do between.
 *
 * @example movedDates({ opens: '2026-10-19T06:00', responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T23:59' }, 1).opens // '2026-10-26T06:00'
 */
export const movedDates = (dates: Dates, weeks: number): Dates => ({
  opens: daysLater(dates.opens, 7 * weeks),
  responseDue: daysLater(dates.responseDue, 7 * weeks),
  repliesDue: daysLater(dates.repliesDue, 7 * weeks),
});
