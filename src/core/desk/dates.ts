import { isTime } from '../deadlines/typed';
import type { WallClock } from '../deadlines/wallclock';
import { fail, ok, type Result } from '../result';

/** When a discussion opens and its two deadlines, as its course's clocks show them. */
export type Dates = { opens: WallClock; responseDue: WallClock; repliesDue: WallClock };
export type DateField = keyof Dates;
export type DateProblem = { field: DateField; code: 'no-time' | 'before-opening' | 'before-response' };

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
