import { isStaff } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { coursesOf, type CourseRecord } from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

export type EnteredCourse = CourseRecord & { staff: boolean };

/** The door to a course: one that the person is not in is not found, like one that does not exist. */
export async function enterCourse(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<EnteredCourse, NotFound>> {
  // Letters of other scripts arrive as an address writes them.
  const course = (await coursesOf(deps.db, actor.id)).find(
    (c) => c.slug === slug || encodeURIComponent(c.slug) === slug,
  );
  return course ? ok({ ...course, staff: isStaff(course.role) }) : fail({ code: 'not-found' });
}
