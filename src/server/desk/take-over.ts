import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { afterHolidays } from '@/core/desk/holidays';
import { isStaff } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { holidaysIn } from '@/db/queries/course-settings';
import { weeksOf } from '@/db/queries/courses';
import { insertWeek } from '@/db/queries/desk';
import { discussionBySlug } from '@/db/queries/discussions';
import { takeOver, takePiece, type TakenOver } from '@/db/queries/take-over';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from './enter';
import { freeName, plainName } from './names';
import { startAfter } from './term';

export const takeOverSchema = z.object({ from: z.string().min(1).max(100), firstDay: z.iso.date() });

const DAY_MS = 86_400_000;

/** So many whole weeks lie between two dates, to the nearest: weekdays stay what they were. */
const weeksBetween = (from: string, to: string) =>
  Math.round((Date.parse(`${to}T00:00Z`) - Date.parse(`${from}T00:00Z`)) / (7 * DAY_MS));

/** Takes another course one teaches over into this one, which is empty, from a first day on. */
export async function takeCourseOver(
  deps: Deps,
  actor: Actor,
  slug: string,
  { from, firstDay }: z.output<typeof takeOverSchema>,
): Promise<Result<TakenOver, NotFound | { code: 'not-empty' } | { code: 'nothing-there' }>> {
  const [here, there] = [await enterDesk(deps, actor, slug), await enterDesk(deps, actor, from)];
  if (!here.ok) return here;
  if (!there.ok || there.value.id === here.value.id) return fail({ code: 'not-found' });
  const [mine, theirs] = [plainName(here.value.code), plainName(there.value.code)];
  return deps.db.transaction(async (tx) => {
    if ((await weeksOf(tx, here.value.id)).length > 0) return fail({ code: 'not-empty' as const });
    const [first] = (await weeksOf(tx, there.value.id)).map((w) => w.startsOn).sort();
    if (!first) return fail({ code: 'nothing-there' as const });
    const way = {
      from: there.value.id,
      to: here.value.id,
      by: actor.id,
      days: 7 * weeksBetween(first, firstDay),
    };
    // What was named after the one course is named after the other.
    const name = (old: string) =>
      freeName(tx, old.startsWith(`${theirs}-`) ? `${mine}${old.slice(theirs.length)}` : old);
    return ok(await takeOver(tx, way, { slug: name, id: randomUUID }));
  });
}

export const takePieceSchema = z.object({
  /** The discussion that is taken, or one of the week that is. */
  discussion: z.string().min(1).max(200),
  what: z.enum(['prompt', 'week']),
  /** Into a week that is there; empty for a new one at the end. */
  into: z.literal('').or(z.coerce.number().int().min(1).max(60)).default(''),
});

/**
 * Takes one prompt, or its whole week with readings and files, from any course one teaches: a week goes into a new one at the end, a
 * prompt into a week of one's choice. Its deadlines fall on their weekdays there; the class sees nothing before it is shown.
 */
export async function takeOne(
  deps: Deps,
  actor: Actor,
  slug: string,
  { discussion, what, into }: z.output<typeof takePieceSchema>,
): Promise<Result<{ week: number }, NotFound | { code: 'week-taken' }>> {
  const here = await enterDesk(deps, actor, slug);
  if (!here.ok) return here;
  const course = here.value;
  const source = await discussionBySlug(deps.db, actor.id, discussion);
  if (!source || !isStaff(source.role) || source.course.outside) return fail({ code: 'not-found' });
  const holidays = await holidaysIn(deps.db, course.id);
  return deps.db.transaction(
    async (tx): Promise<Result<{ week: number }, NotFound | { code: 'week-taken' }>> => {
      const weeks = await weeksOf(tx, course.id);
      const chosen = what === 'prompt' && into !== '' ? weeks.find((w) => w.number === into) : undefined;
      if (what === 'prompt' && into !== '' && !chosen) return fail({ code: 'not-found' });
      const week = chosen ?? {
        number: Math.max(0, ...weeks.map((w) => w.number)) + 1,
        title: source.week.title,
        startsOn: afterHolidays(holidays, startAfter(weeks, deps, course)),
        overview: '',
      };
      if (week.number > 60) return fail({ code: 'week-taken' });
      if (!chosen) await insertWeek(tx, course.id, week);
      const [mine, theirs] = [plainName(course.code), plainName(source.course.code)];
      const name = (old: string) =>
        freeName(tx, old.startsWith(`${theirs}-`) ? `${mine}${old.slice(theirs.length)}` : old);
      await takePiece(
        tx,
        {
          from: source.course.id,
          to: course.id,
          by: actor.id,
          days: 7 * weeksBetween(source.week.startsOn, week.startsOn),
          only: {
            week: source.week.number,
            discussion: what === 'prompt' ? source.id : null,
            into: week.number,
          },
        },
        { slug: name, id: randomUUID },
      );
      return ok({ week: week.number });
    },
  );
}
