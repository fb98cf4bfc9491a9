import { randomUUID } from 'node:crypto';
import type { z } from 'zod';
import type { Proofreading, wordSchema } from '@/contract/proofreading';
import type { Spelling } from '@/core/proofread/spelling';
import { ok, fail, type Result } from '@/core/result';
import { askTogether } from '@/db/ask';
import { peopleOf } from '@/db/queries/courses';
import { addKnownWord, knownWords, readingTexts, setSpelling, spellingOf } from '@/db/queries/proofreading';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** What reading a draft over needs to know of its course and its writer. */
export async function proofreading(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<Proofreading, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { course, week } = door.value.record;
  const [people, found] = await Promise.all([
    peopleOf(deps.db, course.id),
    askTogether(deps.db, {
      known: knownWords(deps.db, actor.id, course.id),
      spelling: spellingOf(deps.db, actor.id),
      readings: readingTexts(deps.db, course.id, week.number),
    }),
  ]);
  return ok({ names: people.map((p) => p.name), ...found });
}

/** Adds a word that is spelt right: to one's own list, or for staff to the course's. */
export async function learnWord(
  deps: Deps,
  actor: Actor,
  slug: string,
  { word, course }: z.infer<typeof wordSchema>,
): Promise<Result<null, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  if (course && !door.value.staff) return fail({ code: 'not-found' });
  const { id } = door.value.record.course;
  await addKnownWord(deps.db, {
    id: randomUUID(),
    word,
    ...(course ? { course: id } : { person: actor.id }),
  });
  return ok(null);
}

export const chooseSpelling = (deps: Deps, actor: Actor, spelling: Spelling) =>
  setSpelling(deps.db, actor.id, spelling);
