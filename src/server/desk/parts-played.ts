import type { Side } from '@/core/brief/brief';
import { z } from 'zod';
import { dealLeads, dealSides } from '@/core/desk/groups';
import { resolveSchedule } from '@/core/deadlines/schedule';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { studentsAmong } from '@/db/queries/class';
import { discussionsOf } from '@/db/queries/discussions';
import { studentsInGroups } from '@/db/queries/groups';
import { partsPlayedIn, putLeads, putSide } from '@/db/queries/parts-played';
import type { NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { unlessWorse, type WouldBeWorse } from './asked-first';
import { chance } from './chance';
import { discussionOnDesk, enterDesk, type OnDesk } from './enter';
import { people, sure } from './fields';

export const partActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('deal-sides') }),
  z.object({ act: z.literal('side'), people: people.min(1), side: z.enum(['1', '2', '']), sure }),
  z.object({ act: z.literal('lead'), people, sure }),
  z.object({ act: z.literal('deal-leads'), each: z.coerce.number().int().min(1).max(20) }),
]);
export type PartAct = z.output<typeof partActSchema>;
export type PartFailure = NotFound | { code: 'no-student' } | { code: 'no-parts' } | WouldBeWorse;

const everybody = async (tx: Db, course: EnteredCourse) =>
  (await studentsInGroups(tx, course.id)).map((s) => s.id);

/** Gives a side to whoever has none, so that both are even. */
async function givenSides(tx: Db, course: EnteredCourse, { record }: OnDesk) {
  const given = await partsPlayedIn(tx, course.id, { discussion: record.id });
  const sided = new Map(given.flatMap((p) => (p.side === null ? [] : [[p.person, p.side] as const])));
  const count = (side: Side) => [...sided.values()].filter((s) => s === side).length;
  const dealt = dealSides(
    (await everybody(tx, course)).filter((id) => !sided.has(id)),
    { first: count(1), second: count(2) },
    chance,
  );
  for (const side of [1, 2] as const)
    await putSide(
      tx,
      { course: course.id, discussion: record.id },
      [...dealt].filter(([, s]) => s === side).map(([id]) => id),
      side,
    );
}

/** The discussions of a course that somebody leads. */
const ledIn = async (tx: Db, actor: Actor, course: EnteredCourse) =>
  (await ask(discussionsOf(tx, actor.id, { course: course.id }))).filter((d) => d.brief.leader);

/** Deals the lead of this discussion and of those after it that nobody leads yet, going round the class. */
async function givenLeads(tx: Db, actor: Actor, course: EnteredCourse, found: OnDesk, each: number) {
  const opens = resolveSchedule(found.record.timetable).opens;
  const led = await ledIn(tx, actor, course);
  const played = (await partsPlayedIn(tx, course.id)).filter((p) => p.leads);
  const free = led.filter(
    (d) =>
      d.id === found.record.id ||
      (resolveSchedule(d.timetable).opens > opens && !played.some((p) => p.discussion === d.id)),
  );
  const before = new Map<PersonId, number>();
  for (const p of played)
    if (p.discussion !== found.record.id) before.set(p.person, (before.get(p.person) ?? 0) + 1);
  const dealt = dealLeads(
    await everybody(tx, course),
    before,
    free.map((d) => d.id),
    each,
    chance,
  );
  for (const d of free) await putLeads(tx, { course: course.id, discussion: d.id }, dealt.get(d.id) ?? []);
}

/** Gives sides or the lead, by name or dealt. */
export async function giveParts(
  tx: Db,
  actor: Actor,
  course: EnteredCourse,
  found: OnDesk,
  act: PartAct,
  chosen: readonly PersonId[],
) {
  const place = { course: course.id, discussion: found.record.id };
  switch (act.act) {
    case 'deal-sides':
      return givenSides(tx, course, found);
    case 'side':
      return putSide(tx, place, chosen, act.side === '' ? null : act.side === '1' ? 1 : 2);
    case 'lead':
      return putLeads(tx, place, chosen);
    case 'deal-leads':
      return givenLeads(tx, actor, course, found, act.each);
  }
}

/**
 * What is given to single students in a discussion: a side to take, the lead. What takes something from somebody who has shared there is
 * asked about first; what is dealt by chance cannot be, and is left undone.
 */
export async function actOnParts(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  act: PartAct,
): Promise<Result<null, PartFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const { record } = found.value;
    const asked = act.act === 'side' || act.act === 'deal-sides' ? record.brief.sides : record.brief.leader;
    if (!asked) return fail({ code: 'no-parts' as const });
    const chosen = 'people' in act ? await studentsAmong(tx, course.id, act.people) : [];
    if ('people' in act && chosen.length < new Set(act.people).size)
      return fail({ code: 'no-student' as const });
    // The lead is dealt for the weeks after this one as well.
    const touched = act.act === 'deal-leads' ? await ledIn(tx, actor, course) : [record];
    return unlessWorse(deps, tx, course, touched, 'sure' in act ? act.sure : undefined, async (inner) => {
      await giveParts(inner, actor, course, found.value, act, chosen);
      return ok(null);
    });
  });
}
