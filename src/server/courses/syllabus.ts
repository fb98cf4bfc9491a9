import { ok, type Result } from '@/core/result';
import {
  contradictions,
  inconsistencies,
  type Contradiction,
  type Inconsistency,
} from '@/core/syllabus/contradictions';
import type { Syllabus } from '@/core/syllabus/syllabus';
import { syllabusOf } from '@/db/queries/courses';
import { askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse, type EnteredCourse } from './enter';

export type SyllabusPage = {
  course: EnteredCourse;
  syllabus: Syllabus | null;
  inconsistencies: Inconsistency[];
  /** Every discussion that says other than the syllabus. */
  contradicted: { slug: string; title: string; week: number; found: Contradiction[] }[];
};

export async function syllabusPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<SyllabusPage, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const { syllabus, records } = await askTogether(deps.db, {
    syllabus: syllabusOf(deps.db, course.id),
    records: discussionsOf(deps.db, actor.id, { course: course.id }),
  });
  return ok({
    course,
    syllabus,
    inconsistencies: syllabus ? inconsistencies(syllabus) : [],
    contradicted: syllabus
      ? records.flatMap((r) => {
          const { late, responseDue, repliesDue } = r.schedule;
          const rules = { late, responseDue, repliesDue, replyCount: r.brief.replies.count };
          const found = contradictions(syllabus, rules);
          return found.length ? [{ slug: r.slug, title: r.title, week: r.week.number, found }] : [];
        })
      : [],
  });
}
