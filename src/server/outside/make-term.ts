import { randomUUID } from 'node:crypto';
import { discussionId } from '@/core/ids';
import { fieldsOfRow, keyOfRow, planned, termProblems } from '@/core/elsewhere/term';
import { rulesOfFields } from '@/core/outside/rules-of-fields';
import { fail, ok, type Result } from '@/core/result';
import { putRowsAside } from '@/db/queries/followed-calendars';
import { deleteIntake, insertDiscussion, intakeOf, updateDiscussion } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { offersNow } from '../calendar/offers';
import { courseFor, newSlug, opening, rulesOf, weekFor } from './confirm';
import { enterOutside } from './enter';
import { againstNow } from './term';

export type MadeTerm = { made: number; moved: number; slug: string | null };

/**
 * Makes private discussions of the rows of a term that are taken, and moves those that stand here with other deadlines. All of them or none: a row that is
 * not right yet is said on its page, with nothing lost.
 */
export async function makeTerm(
  deps: Deps,
  actor: Actor,
  id: string,
): Promise<Result<MadeTerm, NotFound | { code: 'fields' }>> {
  const done = await deps.db.transaction(
    async (tx): Promise<Result<MadeTerm, NotFound | { code: 'fields' }>> => {
      const intake = await intakeOf(tx, actor.id, id);
      if (!intake?.term) return fail({ code: 'not-found' });
      const { term } = intake;
      if (termProblems(term).some((p) => p.length > 0)) return fail({ code: 'fields' });
      const against = await againstNow(tx, actor, term);
      // Whether the course can be had is asked before anything is written: what is given back here is kept.
      const first = term.rows.find((row, i) => row.take && against[i]?.what === 'new');
      const read = first && rulesOfFields(fieldsOfRow(term, first));
      const course = read?.ok ? await courseFor(tx, actor, read.value) : null;
      if (course && !course.ok) return fail({ code: 'fields' });
      const counts = { made: 0, moved: 0 };
      let slug: string | null = null;
      for (const [i, row] of term.rows.entries()) {
        const { what, standing } = against[i] ?? { what: 'new', standing: null };
        if (!row.take || what === 'known') continue;
        if (standing) {
          const door = await enterOutside(deps, actor, standing.slug, tx);
          if (!door.ok) continue;
          const { record } = door.value;
          const rules = {
            ...rulesOf(door.value),
            responseDue: row.responseDue ?? standing.responseDue,
            repliesDue: row.repliesDue ?? row.responseDue ?? standing.repliesDue,
          };
          if (rules.repliesDue < rules.responseDue) rules.repliesDue = rules.responseDue;
          const week = await weekFor(tx, record.course.id, rules);
          const opens =
            record.timetable.opens < rules.responseDue ? record.timetable.opens : opening(deps, rules);
          await updateDiscussion(tx, { id: record.id, week, opens }, record.prompt, rules);
          counts.moved += 1;
          continue;
        }
        const rules = rulesOfFields(fieldsOfRow(term, row));
        if (!rules.ok || !course?.ok) continue;
        const place = {
          course: course.value,
          id: discussionId(randomUUID()),
          slug: newSlug(),
          week: await weekFor(tx, course.value, rules.value),
          opens: opening(deps, rules.value),
        };
        await insertDiscussion(tx, place, planned(row.said || row.title), rules.value, {
          name: intake.source,
          whole: row.said,
        });
        slug ??= place.slug;
        counts.made += 1;
      }
      if (intake.calendar)
        await putRowsAside(tx, intake.calendar, term.rows.filter((r) => !r.take).map(keyOfRow));
      await deleteIntake(tx, actor.id, id);
      return ok({ ...counts, slug });
    },
  );
  if (done.ok) await offersNow(deps, actor);
  return done;
}
