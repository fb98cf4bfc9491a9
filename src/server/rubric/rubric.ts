import type { RubricSheet } from '@/contract/rubric';
import type { PersonId } from '@/core/ids';
import { levelsOf, type Levels } from '@/core/rubric/rubric';
import { fail, ok, type Result } from '@/core/result';
import type { Ask } from '@/db/ask';
import { releasedTo, type ReleasedRecord } from '@/db/queries/marks';
import { putSelfEstimate, selfEstimateOf } from '@/db/queries/rubric';
import { setViewing } from '@/db/queries/viewings';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { releasedView } from '../marks/released';

/** The asks for a person's own sheet: nobody else's estimate is ever loaded. */
export const sheetAsks = (deps: Deps, person: PersonId, { record }: Entered) =>
  ({
    estimate: selfEstimateOf(deps.db, person, record.id),
    released: releasedTo(deps.db, person, record.id),
  }) satisfies Record<string, Ask<unknown>>;

export const sheetOf = (
  { record }: Entered,
  { estimate, released }: { estimate: Levels | null; released: ReleasedRecord[] },
): RubricSheet => {
  const [mark] = released;
  const marked = { rubric: record.rubric, points: record.classBrief.points };
  return { rubric: record.rubric, estimate, mark: mark ? releasedView(mark, marked) : null };
};

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
