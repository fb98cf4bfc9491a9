import type { Deadline, LateRule } from '@/core/deadlines/late';
import { clockTime, day, moment } from './time';
import { plural } from './plural';

/** The moment a deadline's wall clock names: the first millisecond of its last minute, before any grace. */
const shownMoment = (d: Deadline) => d.due - d.graceMinutes * 60_000 - 60_000;

/** "Thu 15 Oct, 23:59" in the course's zone. */
export const deadlineText = (d: Deadline, zone: string) => moment(shownMoment(d), zone);

/** The same deadline for somebody in another zone; null where the clocks agree. */
export function ownTimeText(d: Deadline, courseZone: string, ownZone: string): string | null {
  const there = moment(shownMoment(d), courseZone);
  const here = moment(shownMoment(d), ownZone);
  return there === here ? null : here;
}

/** The same in short, for a narrow line: only the time of day where the day is the same. */
export function ownTimeShort(d: Deadline, courseZone: string, ownZone: string): string | null {
  const at = shownMoment(d);
  if (ownTimeText(d, courseZone, ownZone) === null) return null;
  return day(at, courseZone) === day(at, ownZone) ? clockTime(at, ownZone) : moment(at, ownZone);
}

/** That a deadline is not everybody's: "moved for you from Thu 15 Oct, 23:59". */
export const movedText = (from: number, zone: string) => `moved for you from ${moment(from, zone)}`;

/** What happens after the deadline, in a sentence. */
export function lateText(late: LateRule): string {
  switch (late.rule) {
    case 'refused':
      return 'Not accepted after the deadline';
    case 'accepted':
      if (late.unsaid) return 'The prompt does not say what becomes of late work';
      return `Accepted for ${plural(late.days, 'day')} after the deadline, without a penalty`;
    case 'penalty':
      return `${late.percentPerDay} % off for each day begun, at most ${plural(late.days, 'day')}${
        late.floorPercent ? `, never under ${late.floorPercent} %` : ''
      }; then not accepted`;
  }
}

export const lateShort = (late: LateRule): string =>
  late.rule === 'refused'
    ? 'no late work'
    : late.rule === 'accepted'
      ? late.unsaid
        ? 'lateness not spoken of'
        : `late allowed ${plural(late.days, 'day')}`
      : `${late.percentPerDay} % a day late`;
