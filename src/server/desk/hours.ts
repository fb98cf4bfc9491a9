import { z } from 'zod';
import type { HoursAgainPage } from '@/contract/desk';
import { resolveSchedule } from '@/core/deadlines/schedule';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { setMoreHours, studentsAmong } from '@/db/queries/class';
import { peopleOf } from '@/db/queries/courses';
import { discussionsOf } from '@/db/queries/discussions';
import type { NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { touchesIf, unlessWorse, type WouldBeWorse } from './asked-first';
import { enterDesk } from './enter';
import { hours, people } from './fields';

/** The discussions of a course in which somebody may have shared something by now. */
const openedIn = async (deps: Deps, tx: Db, actor: Actor, course: EnteredCourse) =>
  (await ask(discussionsOf(tx, actor.id, { course: course.id }))).filter(
    (d) => resolveSchedule(d.timetable).opens <= deps.now,
  );

/** What other hours for a whole term can be asked again by, as an address says it. */
export const hoursAgainSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('hours'), people: people.min(1), hours }),
  z.object({ act: z.literal('no-hours'), people: people.min(1) }),
]);

/** What other hours all term would do to those who have shared something, discussion by discussion: it is tried, and nothing of it stays. */
export async function hoursAgainPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  act: z.output<typeof hoursAgainSchema>,
): Promise<Result<HoursAgainPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    const chosen = await studentsAmong(tx, course.id, act.people);
    if (chosen.length < new Set(act.people).size) return fail({ code: 'not-found' });
    const hours = act.act === 'hours' ? act.hours : 0;
    const { each, stamp } = await touchesIf(
      deps,
      tx,
      course,
      await openedIn(deps, tx, actor, course),
      (inner) => setMoreHours(inner, course.id, chosen, { hours, reason: '' }),
    );
    const names = new Map((await peopleOf(tx, course.id)).map((p) => [p.id, p.name] as const));
    return ok({
      course,
      hours,
      people: chosen.map((id) => ({ id, name: names.get(id) ?? '' })),
      each: each.map(({ discussion: { slug: name, title, week }, touched }) => ({
        discussion: { slug: name, title, week: week.number },
        touched,
      })),
      stamp,
    });
  });
}

/** Gives students more time for every deadline of a course, or takes it back; where that takes something from somebody, it is asked first. */
export const giveHours = (
  deps: Deps,
  actor: Actor,
  course: EnteredCourse,
  chosen: readonly PersonId[],
  act:
    | { act: 'hours'; hours: number; reason: string; sure?: string | undefined }
    | { act: 'no-hours'; sure?: string | undefined },
): Promise<Result<null, WouldBeWorse>> =>
  deps.db.transaction(async (tx) =>
    unlessWorse(deps, tx, course, await openedIn(deps, tx, actor, course), act.sure, async (inner) => {
      const given = act.act === 'hours' ? act : { hours: 0, reason: '' };
      await setMoreHours(inner, course.id, chosen, given);
      return ok(null);
    }),
  );
