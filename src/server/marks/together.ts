import { z } from 'zod';
import type { PersonId } from '@/core/ids';
import { SHARED_BY, shareOut, type SharedBy } from '@/core/marks/shares';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import { studentsAmong } from '@/db/queries/class';
import { studentsInGroups } from '@/db/queries/groups';
import { markingIn } from '@/db/queries/marking';
import { markersOf, putShares } from '@/db/queries/marking-shares';
import { askSecond, dropSeconds, settleSecond } from '@/db/queries/second-readings';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { chance } from '../desk/chance';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { classMarks } from './class-marks';
import { placeOf } from './keep';

type At = { slug: string; name: string };
type Failure =
  NotFound | { code: 'nobody' } | { code: 'no-marker' } | { code: 'not-both' } | { code: 'own-mark' };

export const sharedBySchema = z.enum(SHARED_BY);

/** Shares the class of a discussion out among some of the staff; among nobody, it is shared out no more. */
export async function shareClass(
  deps: Deps,
  actor: Actor,
  { slug, name }: At,
  { by, among }: { by: SharedBy; among: readonly string[] },
): Promise<Result<null, Failure>> {
  const place = await placeOf(deps, actor, slug, name);
  if (!place.ok) return place;
  const markers = (await ask(markersOf(deps.db, place.value.course))).filter((m) => among.includes(m.id));
  if (markers.length === 0 && among.length) return fail({ code: 'no-marker' });
  await deps.db.transaction(async (tx) => {
    const people = await studentsInGroups(tx, place.value.course);
    const ids = markers.map((m) => m.id);
    await putShares(tx, place.value, ids.length ? shareOut(people, ids, by, chance) : new Map());
  });
  return ok(null);
}

/** Has some parts read a second time by one of the staff; by nobody, their second readings are taken away. */
export async function readTwice(
  deps: Deps,
  actor: Actor,
  { slug, name }: At,
  { people, reader }: { people: readonly string[]; reader: string | null },
): Promise<Result<null, Failure>> {
  const place = await placeOf(deps, actor, slug, name);
  if (!place.ok) return place;
  const chosen = people.length ? await studentsAmong(deps.db, place.value.course, people) : [];
  if (chosen.length === 0) return fail({ code: 'nobody' });
  if (reader === null) {
    await dropSeconds(deps.db, place.value, chosen);
    return ok(null);
  }
  const marker = (await ask(markersOf(deps.db, place.value.course))).find((m) => m.id === reader);
  if (!marker) return fail({ code: 'no-marker' });
  const written = await ask(markingIn(deps.db, place.value));
  if (written.some((w) => w.by === marker.id && chosen.includes(w.person))) return fail({ code: 'own-mark' });
  await askSecond(deps.db, place.value, chosen, marker.id);
  return ok(null);
}

/** Lets a mark stand though its second reading differs: of those two keepings somebody has seen the difference. */
export async function letStand(
  deps: Deps,
  actor: Actor,
  { slug, name }: At,
  person: PersonId,
): Promise<Result<null, Failure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const { all } = await classMarks(deps, deps.db, door.value, found.value.record);
  const one = all.find((m) => m.student.id === person);
  if (!one?.second || !one.written || one.second.stage === 'asked') return fail({ code: 'not-both' });
  await settleSecond(
    deps.db,
    { course: door.value.id, discussion: found.value.record.id, person },
    { first: one.written.revision, second: one.second.revision },
  );
  return ok(null);
}
