import type { DeskRubricPage } from '@/contract/desk';
import { formOfRubric, rubricOfForm, type RubricProblem } from '@/core/rubric/form';
import { proposeRubric } from '@/core/rubric/propose';
import { fail, ok, type Result } from '@/core/result';
import { keptRubrics, marksGiven, setRubric } from '@/db/queries/kept-rubrics';
import { holdDiscussion } from '@/db/queries/desk';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from './enter';

const MOST_KEPT = 40;
/** What one begins from: the brief, or the rubric of another discussion by its name. */
const BRIEF = 'brief';

/** A discussion's rubric as it is built: as it stands, or as the brief or another discussion proposes it. */
export async function rubricPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  from: string,
): Promise<Result<DeskRubricPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const { record, posts } = found.value;
  const [kept, marks] = await Promise.all([
    keptRubrics(deps.db, actor.id, MOST_KEPT),
    marksGiven(deps.db, record.id),
  ]);
  const rubric =
    from === BRIEF
      ? proposeRubric(record.brief)
      : (kept.find((k) => k.slug === from)?.rubric ?? record.rubric ?? proposeRubric(record.brief));
  return ok({
    course: door.value,
    discussion: { slug: record.slug, title: record.title },
    fields: formOfRubric(rubric),
    stands: record.rubric !== null,
    marks,
    posts,
    points: record.brief.points ?? null,
    kept: kept
      .filter((k) => k.slug !== record.slug)
      .map(({ slug: other, title, code }) => ({ slug: other, title, code })),
  });
}

export type RubricFailure =
  NotFound | { code: 'has-marks' } | { code: 'not-sure' } | { code: 'rubric'; problems: RubricProblem[] };

/**
 * Keeps a discussion's rubric, or takes it away. Where somebody has shared in it already it is changed only by who says that they are sure;
 * where marks were given by it, it stays.
 */
export async function keepRubric(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  given: { fields: Record<string, string> | null; sure: boolean },
): Promise<Result<null, RubricFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const read = given.fields && rubricOfForm(given.fields);
  if (read && !read.ok) return read;
  return deps.db.transaction(async (tx) => {
    await holdDiscussion(tx, door.value.id, name);
    const found = await discussionOnDesk(tx, actor, door.value, name);
    if (!found.ok) return found;
    const { record, posts } = found.value;
    if ((await marksGiven(tx, record.id)) > 0) return fail({ code: 'has-marks' as const });
    if (posts > 0 && !given.sure) return fail({ code: 'not-sure' as const });
    await setRubric(tx, door.value.id, record.id, read ? read.value : null);
    return ok(null);
  });
}
