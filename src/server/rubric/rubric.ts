import type { PersonId } from '@/core/ids';
import { levelsOf } from '@/core/rubric/rubric';
import { fail, ok, type Result } from '@/core/result';
import { putSelfEstimate, selfEstimateOf } from '@/db/queries/rubric';
import { setViewing } from '@/db/queries/viewings';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** What a person thought of their own text here: nobody else's estimate is ever loaded. */
export const estimateAsk = (deps: Deps, person: PersonId, { record }: Entered) =>
  selfEstimateOf(deps.db, person, record.id);

/**
 * Keeps what a student thinks of the own text, for nobody else's eyes. It is made before sharing: afterwards it stands as it was,
 * so that it can be compared with the mark.
 */
export async function estimate(
  deps: Deps,
  actor: Actor,
  slug: string,
  levels: Record<string, unknown>,
): Promise<Result<null, NotFound | { code: 'already-shared' }>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record, staff, responded } = door.value;
  if (!record.rubric || staff) return fail({ code: 'not-found' });
  if (responded) return fail({ code: 'already-shared' });
  await putSelfEstimate(
    deps.db,
    { course: record.course.id, discussion: record.id, person: actor.id },
    levelsOf(record.rubric, levels),
    deps.now,
  );
  return ok(null);
}

/** Ticks a viewing off, or sets it back. */
export async function tickViewing(
  deps: Deps,
  actor: Actor,
  slug: string,
  viewing: string,
  done: boolean,
): Promise<Result<null, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  if (!record.viewings.some((v) => v.id === viewing)) return fail({ code: 'not-found' });
  await setViewing(
    deps.db,
    { course: record.course.id, discussion: record.id, person: actor.id, viewing },
    done ? deps.now : null,
  );
  return ok(null);
}
