import { fail, ok, type Result } from '@/core/result';
import { discussionBySlug, type DiscussionWithPrompt } from '@/db/queries/discussions';
import { deskFigures, type DeskFigures } from '@/db/queries/desk';
import type { Db } from '@/db/connection';
import type { NotFound } from '../access/enter';
import { enterCourse, type EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';

/** Of a discussion that was made in this very moment. */
export const NO_FIGURES: DeskFigures = {
  posts: 0,
  shown: true,
  showAt: null,
  asking: 0,
  differs: 0,
  begun: 0,
  marked: 0,
  released: 0,
};

/** The door to a course's desk: to whoever does not teach the course there is none. */
export async function enterDesk(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<EnteredCourse, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  return door.ok && (!door.value.staff || door.value.outside) ? fail({ code: 'not-found' }) : door;
}

export type OnDesk = DeskFigures & { record: DiscussionWithPrompt };

/** A discussion of a course whose desk one is at. */
export async function discussionOnDesk(
  db: Db,
  actor: Actor,
  course: EnteredCourse,
  slug: string,
): Promise<Result<OnDesk, NotFound>> {
  const record = await discussionBySlug(db, actor.id, slug);
  if (record?.course.id !== course.id) return fail({ code: 'not-found' });
  const figures = (await deskFigures(db, course.id)).get(record.id);
  return ok({ record, ...(figures ?? NO_FIGURES) });
}
