import type { RubricSheet } from '@/contract/rubric';
import { z } from 'zod';
import type { PersonId } from '@/core/ids';
import type { MarkRecord } from '@/core/rubric/rubric';
import { levelsOf, type Levels } from '@/core/rubric/rubric';
import { fail, ok, type Result } from '@/core/result';
import { ask, type Ask } from '@/db/ask';
import { authorOfPost, markOf, putMark, putSelfEstimate, selfEstimateOf } from '@/db/queries/rubric';
import { setViewing } from '@/db/queries/viewings';
import { roleIn } from '@/db/queries/courses';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** The asks for a person's own sheet: nobody else's estimate is ever loaded. */
export const sheetAsks = (deps: Deps, person: PersonId, { record }: Entered) =>
  ({
    estimate: selfEstimateOf(deps.db, person, record.id),
    mark: markOf(deps.db, person, record.id),
  }) satisfies Record<string, Ask<unknown>>;

export const sheetOf = (
  { record }: Entered,
  found: { estimate: Levels | null; mark: MarkRecord | null },
): RubricSheet | null => record.rubric && { rubric: record.rubric, ...found };

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

export const markInputSchema = z.object({
  post: z.coerce.number().int().positive(),
  comment: z.string().max(10_000).default(''),
});

/** Marks the response of a student by the rubric. Staff only; a later mark takes the earlier one's place. */
export async function giveMark(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: z.infer<typeof markInputSchema>,
  levels: Record<string, unknown>,
): Promise<Result<null, NotFound | { code: 'unfinished' }>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record, staff } = door.value;
  if (!record.rubric || !staff) return fail({ code: 'not-found' });
  const student = await authorOfPost(deps.db, record.id, input.post);
  if (!student || (await roleIn(deps.db, record.course.id, student)) !== 'student')
    return fail({ code: 'not-found' });
  const chosen = levelsOf(record.rubric, levels);
  if (Object.keys(chosen).length < record.rubric.criteria.length) return fail({ code: 'unfinished' });
  await putMark(deps.db, {
    course: record.course.id,
    discussion: record.id,
    person: student,
    marker: actor.id,
    levels: chosen,
    comment: input.comment.trim(),
    at: deps.now,
  });
  return ok(null);
}

/** The mark that staff gave a student, for the form in which they give it. */
export const markFor = (deps: Deps, student: PersonId, { record }: Entered) =>
  ask(markOf(deps.db, student, record.id));

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
