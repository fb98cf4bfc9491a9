import { daysLater, type WallClock } from '../deadlines/wallclock';
import type { LateRule } from '../deadlines/late';
import type { Field, Fields } from '../outside/fields';
import { lateFields } from '../outside/fields-of-rules';
import { habitFields, type Habits } from './habits';

type Week = { number: number; startsOn: string };
/** A discussion as its course set it. */
export type SetBefore = { week: Week; responseDue: WallClock; repliesDue: WallClock; late: LateRule };

const DAY_MS = 86_400_000;
const daysBetween = (from: string, to: string) =>
  Math.round((Date.parse(`${to.slice(0, 10)}T00:00Z`) - Date.parse(`${from.slice(0, 10)}T00:00Z`)) / DAY_MS);
/** So many days after a date, at the time of another. */
const onDay = (from: string, days: number, time: WallClock) =>
  `${daysLater(`${from.slice(0, 10)}T00:00`, days).slice(0, 10)}T${time.slice(11)}`;

const LATE: readonly Field[] = ['late', 'late.days', 'late.percent'];
const without = (fields: Fields, left: readonly Field[]): Fields =>
  Object.fromEntries(Object.entries(fields).filter(([field]) => !left.includes(field as Field)));

/** The first of a course's weeks in which nothing is discussed yet, after the last in which something is. */
function nextFree(weeks: readonly Week[], before: readonly SetBefore[]): Week | undefined {
  const last = Math.max(0, ...before.map((d) => d.week.number));
  return [...weeks].sort((a, b) => a.number - b.number).find((w) => w.number > last);
}

/** Like what a field was filled in: the discussion of a week, or the course's habits. */
export type Like = number | 'habits';
/** Fields that were filled in, and like what. The week itself is like none. */
export type Usual = { fields: Fields; like: Partial<Record<Field, Like>> };

/**
 * What a prompt leaves unsaid and its course does as it did last: the week that comes next, the weekdays and times of the clock of both
 * deadlines, and what becomes of late work: by the course's habits, and beyond them as the last discussion that said so has it. What the
 * prompt says itself stays as it says it.
 *
 * @param wanted the number of the week one came from, if from one
 * @example usualFields({ title: 'x' }, weeks, [], null) // { fields: { week: '1' }, like: {} } where week 1 is there
 */
export function usualFields(
  read: Fields,
  weeks: readonly Week[],
  before: readonly SetBefore[],
  wanted: number | null,
  habits: Habits | null = null,
): Usual {
  const { fields, like }: Usual = { fields: {}, like: {} };
  const say = (field: Field, value: string, as: Like) => {
    if (read[field] || fields[field]) return;
    fields[field] = value;
    like[field] = as;
  };
  const sayAll = (said: Fields, as: Like) => {
    for (const [field, value] of Object.entries(said)) say(field as Field, value, as);
  };
  const named = read.week ? Number(read.week) : wanted;
  // A prompt that says its deadline is of the week that lies in.
  const week =
    weeks.find((w) => w.number === named) ??
    (named === null && !read.responseDue ? nextFree(weeks, before) : undefined);
  if (week && !read.week) fields.week = String(week.number);

  if (habits)
    sayAll(
      // Its days and its share of a late rule mean nothing without the rule.
      without(
        habitFields(habits, { startsOn: week?.startsOn ?? null, responseDue: read.responseDue || null }),
        read.late ? LATE : [],
      ),
      'habits',
    );
  const newest = [...before].sort((a, b) => b.responseDue.localeCompare(a.responseDue));
  const [last] = newest;
  if (!last) return { fields, like };
  if (week) {
    const days = daysBetween(last.week.startsOn, last.responseDue);
    say('responseDue', onDay(week.startsOn, days, last.responseDue), last.week.number);
  }
  const due = read.responseDue || fields.responseDue;
  if (due) {
    const replies = onDay(due, daysBetween(last.responseDue, last.repliesDue), last.repliesDue);
    if (replies >= due) say('repliesDue', replies, last.week.number);
  }
  const said = newest.find((d) => lateFields(d.late).late);
  if (said && !read.late && !fields.late) sayAll(lateFields(said.late), said.week.number);
  return { fields, like };
}
