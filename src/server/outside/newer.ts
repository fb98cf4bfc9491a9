import { isAwaited } from '@/core/elsewhere/term';
import { fail, ok, type Result } from '@/core/result';
import { deleteIntake } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import type { BroughtFile } from '../formats/read-file';
import { enterOutside } from './enter';
import { takeIn, type TakeInFailure } from './take-in';

/** The outside discussion of whose page a newer copy is brought. */
export async function newerCopy(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<{ title: string; awaited: boolean }, NotFound>> {
  const door = await enterOutside(deps, actor, slug);
  if (!door.ok) return door;
  const { title, prompt } = door.value.record;
  return ok({ title, awaited: isAwaited(prompt) });
}

/**
 * Takes in a newer copy of a discussion's page. What holds no posts is the prompt where that is still awaited; else it is said to hold none, and nothing
 * waits.
 */
export async function takeNewer(
  deps: Deps,
  actor: Actor,
  slug: string,
  given: { text: string; html: string; files: BroughtFile[] },
): Promise<Result<{ id: string; posts: number }, NotFound | TakeInFailure>> {
  const door = await enterOutside(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const taken = await takeIn(deps, actor, given, null, { course: record.course.id, id: record.id });
  if (!taken.ok) return taken;
  if (taken.value.posts > 0 || isAwaited(record.prompt)) return taken;
  await deleteIntake(deps.db, actor.id, taken.value.id);
  return fail({ code: 'nothing-to-read', troubles: [{ code: 'no-posts' }] });
}
