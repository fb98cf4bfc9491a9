import { z } from 'zod';
import type { DeskDiscussion, Term } from '@/contract/desk';
import { storable } from '@/core/document/document';
import { daysLater, weekdayOf, wallClockAt } from '@/core/deadlines/wallclock';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { afterHolidays, holidayOn, inWeek, weekStarts, type Holiday } from '@/core/desk/holidays';
import { discussionState } from '@/core/deadlines/state';
import { fail, ok, type Result } from '@/core/result';
import { askTogether } from '@/db/ask';
import { isStaff } from '@/core/ids';
import { coursesOf, readingsOf, weeksOf } from '@/db/queries/courses';
import { holidaysIn } from '@/db/queries/course-settings';
import {
  classSize,
  deleteEmptyWeek,
  deskFigures,
  insertWeek,
  insertWeeks,
  isSharedFrom,
  moveWeeks,
  updateWeek,
  type DeskFigures,
} from '@/db/queries/desk';
import { keepPromptVersions } from '@/db/queries/prompt-versions';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { intakesFor } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { tellChange } from '../notices/happened';
import { enterDesk, NO_FIGURES } from './enter';
import { line } from './fields';
import { isOpenAt, needsOf } from './needs';

/** A discussion as the sheet shows it, by the course's own clocks. */
export function onSheet(
  record: DiscussionRecord,
  now: Deps['now'],
  { posts, shown, showAt, asking, begun, marked, released }: DeskFigures = NO_FIGURES,
  holidays: readonly Holiday[] = [],
): DeskDiscussion {
  const schedule = resolveSchedule(record.timetable);
  return {
    slug: record.slug,
    title: record.title,
    state: discussionState(schedule, now),
    shown,
    showAt,
    schedule,
    responses: record.responses,
    posts,
    asking,
    begun,
    marked,
    released,
    inHoliday:
      (holidayOn(holidays, record.timetable.responseDue) ?? holidayOn(holidays, record.timetable.repliesDue))
        ?.name ?? null,
  };
}

/** The Monday after the last week of a course; without one, the Monday that is next. */
export function startAfter(
  weeks: readonly { startsOn: string }[],
  deps: Deps,
  course: EnteredCourse,
): string {
  const last = weeks
    .map((w) => w.startsOn)
    .sort()
    .at(-1);
  if (last) return daysLater(`${last}T00:00`, 7).slice(0, 10);
  const today = wallClockAt(deps.now, course.zone);
  return daysLater(today, 8 - weekdayOf(today)).slice(0, 10);
}

/** The whole term on one sheet: each week with its readings and discussions, how far the class is, and what waits to be made of prompts. */
export async function termPage(deps: Deps, actor: Actor, slug: string): Promise<Result<Term, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const [weeks, all, figures, students, waiting, holidays, { readings, everywhere }] = await Promise.all([
    weeksOf(deps.db, course.id),
    coursesOf(deps.db, actor.id),
    deskFigures(deps.db, course.id),
    classSize(deps.db, course.id),
    intakesFor(deps.db, course.id),
    holidaysIn(deps.db, course.id),
    askTogether(deps.db, {
      readings: readingsOf(deps.db, course.id, actor.id),
      everywhere: discussionsOf(deps.db, actor.id),
    }),
  ]);
  const records = everywhere.filter((r) => r.course.id === course.id);
  const needs = await needsOf(
    deps.db,
    course.id,
    records.map((r) => {
      const schedule = resolveSchedule(r.timetable);
      const { shown, asking, differs } = figures.get(r.id) ?? NO_FIGURES;
      return {
        id: r.id,
        slug: r.slug,
        title: r.title,
        shown,
        asking,
        differs,
        open: isOpenAt(schedule, deps.now),
        over: deps.now >= schedule.closes,
      };
    }),
    waiting.length,
  );
  return ok({
    course,
    needs,
    now: deps.now,
    students,
    weeks: weeks.map((week) => ({
      ...week,
      holidays: inWeek(holidays, week.startsOn).map((h) => h.name),
      readings: readings
        .filter((r) => r.week === week.number)
        .map(({ slug: name, title }) => ({ slug: name, title })),
      discussions: records
        .filter((r) => r.week.number === week.number)
        .map((r) => onSheet(r, deps.now, figures.get(r.id), holidays)),
    })),
    waiting,
    others: all
      .filter((c) => isStaff(c.role) && !c.outside && c.id !== course.id)
      .map((c) => ({ slug: c.slug, name: `${c.code} ${c.title}${c.term ? ` · ${c.term}` : ''}` })),
    sources: everywhere
      .filter((r) => isStaff(r.role) && !r.course.outside)
      .map((r) => ({ slug: r.slug, name: `${r.course.code}, week ${r.week.number}: ${r.title}` })),
    nextStart: afterHolidays(holidays, startAfter(weeks, deps, course)),
  });
}

/** A course has no more weeks than this. */
const MOST_WEEKS = 60;

export const weekSchema = z.object({
  number: z.coerce.number().int().min(1).max(MOST_WEEKS),
  title: line(1, 200),
  startsOn: z.iso.date(),
  overview: z
    .string()
    .max(5_000)
    .transform((text) => storable(text).trim())
    .default(''),
});
type WeekFailure = NotFound | { code: 'week-taken' | 'week-in-use' | 'too-many-weeks' };

/** Adds a week to a course. */
export async function addWeek(
  deps: Deps,
  actor: Actor,
  slug: string,
  week: z.output<typeof weekSchema>,
): Promise<Result<null, WeekFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  return (await insertWeek(deps.db, door.value.id, week)) ? ok(null) : fail({ code: 'week-taken' });
}

export const weeksSchema = z.object({
  number: z.coerce.number().int().min(1).max(MOST_WEEKS),
  startsOn: z.iso.date(),
  /** A title on each line. */
  titles: z
    .string()
    .max(MOST_WEEKS * 202)
    .transform((text) =>
      storable(text)
        .split('\n')
        .flatMap((title) => title.trim() || []),
    )
    .pipe(z.array(line(1, 200)).min(1).max(MOST_WEEKS)),
});

/** Adds several weeks to a course, one after the other and around its holidays: all of them, or none. */
export async function addWeeks(
  deps: Deps,
  actor: Actor,
  slug: string,
  { number, startsOn, titles }: z.output<typeof weeksSchema>,
): Promise<Result<null, WeekFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  if (number + titles.length - 1 > MOST_WEEKS) return fail({ code: 'too-many-weeks' });
  const starts = weekStarts(await holidaysIn(deps.db, door.value.id), startsOn, titles.length);
  const weeks = titles.map((title, i) => ({
    number: number + i,
    title,
    startsOn: starts[i] ?? startsOn,
    overview: '',
  }));
  return (await insertWeeks(deps.db, door.value.id, weeks)) ? ok(null) : fail({ code: 'week-taken' });
}

/** Says a week's title, first day and overview anew. */
export async function changeWeek(
  deps: Deps,
  actor: Actor,
  slug: string,
  week: z.output<typeof weekSchema>,
): Promise<Result<null, WeekFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  return (await updateWeek(deps.db, door.value.id, week)) > 0 ? ok(null) : fail({ code: 'not-found' });
}

/** Takes a week away in which there is nothing. */
export async function dropWeek(
  deps: Deps,
  actor: Actor,
  slug: string,
  number: number,
): Promise<Result<null, WeekFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  return (await deleteEmptyWeek(deps.db, door.value.id, number)) ? ok(null) : fail({ code: 'week-in-use' });
}

export const moveSchema = z.object({
  from: z.coerce.number().int().min(1).max(60),
  weeks: z.coerce.number().int().min(-26).max(26),
  /** What was given to single students. */
  extensions: z.enum(['along', 'stay']).default('along'),
});

/**
 * Moves everything from a week on by whole weeks: weekdays and times of the clock stay, and extensions move along or stay. What the class
 * sees is kept as it was, so that it is told. Nothing is moved earlier that somebody has shared in: that is asked about one by one.
 */
export async function moveTerm(
  deps: Deps,
  actor: Actor,
  slug: string,
  move: z.input<typeof moveSchema>,
): Promise<Result<null, NotFound | { code: 'shared-earlier' }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value.id;
  const { from, weeks, extensions } = moveSchema.parse(move);
  return deps.db.transaction(async (tx): Promise<Result<null, NotFound | { code: 'shared-earlier' }>> => {
    if (weeks < 0 && (await isSharedFrom(tx, course, from))) return fail({ code: 'shared-earlier' });
    const seen = await keepPromptVersions(tx, { course, from }, actor.id, deps.now);
    for (const discussion of seen) await tellChange(tx, deps.now, { course, discussion }, actor.id, 'dates');
    const moved = await moveWeeks(tx, course, { from, weeks, extensions });
    return moved > 0 ? ok(null) : fail({ code: 'not-found' });
  });
}
