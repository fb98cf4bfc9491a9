import type { ProgressCell, ProgressCourse, ProgressPage, ReplySubstance } from '@/contract/progress';
import { sumPoints } from '@/core/marks/points';
import { causeText } from './marks';
import { plural } from './plural';

const COUNTS = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];

/** "Two marks are new." */
export const freshText = (n: number): string =>
  n === 0 ? '' : `${COUNTS[n] ?? n} ${n === 1 ? 'mark is' : 'marks are'} new.`;

/** The evidence under what cost most. */
export function costText({ code, cost }: NonNullable<ProgressPage['most']>): string {
  const rest = sumPoints([cost.lost, -cost.points]);
  return `${cost.in} of ${plural(cost.of, 'marked discussion')} in ${code}: ${cost.points} of the ${plural(cost.lost, 'point')} you lost there.${
    rest > 0 ? ` Everything else together: ${rest}.` : ''
  }`;
}

export const costCause = ({ cost }: NonNullable<ProgressPage['most']>): string => causeText(cost.cause);

/** How one stands in a course, beside its name. */
export function standingText({ standing, weight }: ProgressCourse): string {
  const of = standing.of > 0 ? `of ${plural(standing.of, 'point')} marked` : 'nothing marked in points yet';
  return `${of}${weight === null ? '' : ` · discussions are ${weight} % of the course`}`;
}

/** Where it ends: under the line of weeks. */
export function endsText({ code, standing }: ProgressCourse): string | null {
  if (standing.toWin <= 0) return null;
  const { ends } = standing;
  return `Still to win in ${code}: ${plural(standing.toWin, 'point')}.${
    ends
      ? ` At your usual level you end at ${ends.from === ends.to ? ends.from : `${ends.from} to ${ends.to}`} %.`
      : ''
  }`;
}

/** "30 hours before", "an hour after" */
const span = (hours: number): string => {
  const n = Math.round(Math.abs(hours));
  return `${n === 1 ? 'an hour' : `${n} hours`} ${hours < 0 ? 'after' : 'before'}`;
};

/** The middle one of some hours, and how far they reach. */
function usually(all: number[]): string | null {
  const sorted = [...all].sort((a, b) => a - b);
  const [least] = sorted;
  const most = sorted.at(-1);
  const middle = sorted[Math.floor(sorted.length / 2)];
  if (least === undefined || most === undefined || middle === undefined) return null;
  return sorted.length < 3 ? span(middle) : `${span(middle)} (from ${span(most)} to ${span(least)})`;
}

/** What the chart of hours before the deadline shows, for who cannot see it and who can. */
export function hoursText(cells: readonly ProgressCell[]): string {
  const response = usually(cells.flatMap((c) => c.responseHours ?? []));
  const reply = usually(cells.flatMap((c) => c.replyHours ?? []));
  return [
    ...(response ? [`Your responses usually come ${response} the deadline.`] : []),
    ...(reply ? [`Your last counted replies: ${reply}.`] : []),
  ].join(' ');
}

/** How one's own estimate compares with the marks. */
export function estimateText(cells: readonly ProgressCell[]): string | null {
  const both = cells.flatMap((c) =>
    c.estimate === null || c.mark?.points == null ? [] : [c.estimate - c.mark.points],
  );
  if (both.length === 0) return null;
  const mean = Math.round((both.reduce((a, b) => a + b, 0) / both.length) * 10) / 10;
  return mean === 0
    ? `On ${plural(both.length, 'mark')} you judged yourself as your instructors did.`
    : `On ${plural(both.length, 'mark')} you were ${plural(Math.abs(mean), 'point')} ${mean > 0 ? 'kinder to' : 'harder on'} yourself than the mark.`;
}

/** Words and minutes of each week in which anything was written, over all courses. */
export function byWeek(cells: readonly ProgressCell[]): { week: number; words: number; minutes: number }[] {
  const weeks = [...new Set(cells.map((c) => c.week))].sort((a, b) => a - b);
  return weeks
    .map((week) => {
      const of = cells.filter((c) => c.week === week);
      const sum = (what: 'words' | 'minutes') => of.reduce((n, c) => n + c[what], 0);
      return { week, words: sum('words'), minutes: sum('minutes') };
    })
    .filter((w) => w.words > 0 || w.minutes > 0);
}

/** What the chart of words and minutes shows; null where nothing was written. */
export function effortText(cells: readonly ProgressCell[]): string | null {
  const weeks = byWeek(cells);
  if (weeks.length === 0) return null;
  const mean = (what: 'words' | 'minutes') =>
    Math.round(weeks.reduce((n, w) => n + w[what], 0) / weeks.length);
  const [most] = [...weeks].sort((a, b) => b.minutes - a.minutes || b.words - a.words);
  return `You share ${plural(mean('words'), 'word')} a week, and take ${plural(mean('minutes'), 'minute')} to write them.${
    most && weeks.length > 1 && most.minutes > 0
      ? ` Week ${most.week} took most: ${plural(most.minutes, 'minute')}.`
      : ''
  }`;
}

/** What the chart of one's replies shows. */
export function substanceText(weeks: readonly ReplySubstance[]): string {
  const sum = (of: 'substantive' | 'fair' | 'thin') => weeks.reduce((n, w) => n + w[of], 0);
  const all = sum('substantive') + sum('fair') + sum('thin');
  if (all === 0) return 'You have written no replies yet.';
  return `Of ${plural(all, 'reply', 'replies')}, ${sum('substantive')} move the talk on, ${sum('fair')} have something, ${sum('thin')} say little that is new. Only you see this, and nobody marks by it.`;
}
