import { fail, ok, type Result } from '@/core/result';
import { discussionBySlug, type DiscussionWithPrompt } from '@/db/queries/discussions';
import { deskFigures } from '@/db/queries/desk';
import type { Db } from '@/db/connection';
import type { NotFound } from '../access/enter';
import { enterCourse, type EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';

/** The door to a course's desk: to whoever does not teach the course there is none. */
export async function enterDesk(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<EnteredCourse, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  return door.ok && (!door.value.staff || door.value.outside) ? fail({ code: 'not-found' }) : door;
}

export type OnDesk = { record: DiscussionWithPrompt; posts: number; shown: boolean };

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
  return ok({ record, posts: figures?.posts ?? 0, shown: figures?.shown ?? true });
}
