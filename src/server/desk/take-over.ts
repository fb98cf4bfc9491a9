import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { fail, ok, type Result } from '@/core/result';
import { weeksOf } from '@/db/queries/courses';
import { takeOver, type TakenOver } from '@/db/queries/take-over';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from './enter';
import { freeName, plainName } from './names';

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
