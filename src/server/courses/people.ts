import { pictureAt } from '@/contract/addresses';
import type { CoursePerson } from '@/contract/course';
import { isStaff } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import { peopleOf } from '@/db/queries/courses';
import { timesOf } from '@/db/queries/groups';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse, type EnteredCourse } from './enter';

export type PeoplePage = {
  course: EnteredCourse;
  people: CoursePerson[];
  /** When a student said they can work with others; null for who is none. */
  times: number | null;
};

/** Who is in a course. Students see the mail addresses of staff, staff those of everybody. */
export async function peoplePage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<PeoplePage, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const people = await peopleOf(deps.db, course.id);
  const student = people.some((p) => p.id === actor.id && p.role === 'student');
  return ok({
    course,
    times: student ? await timesOf(deps.db, course.id, actor.id) : null,
    people: people.map((p) => ({
      id: p.id,
      name: p.name,
      saidAs: p.saidAs,
      role: p.role,
      group: p.group,
      picture: p.picture && pictureAt(p.id, { v: p.picture }),
      email: course.staff || isStaff(p.role) ? p.email : null,
    })),
  });
}
