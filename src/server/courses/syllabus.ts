import { ok, type Result } from '@/core/result';
import type { LateRule } from '@/core/deadlines/late';
import {
  contradictions,
  habitOf,
  inconsistencies,
  type Contradiction,
  type Inconsistency,
} from '@/core/syllabus/contradictions';
import type { Habit, Syllabus } from '@/core/syllabus/syllabus';
import { roleIn, syllabusOf } from '@/db/queries/courses';
import { signedAt, signingOf } from '@/db/queries/syllabus';
import { askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse, type EnteredCourse } from './enter';

export type SyllabusPage = {
  course: EnteredCourse;
  syllabus: Syllabus | null;
  inconsistencies: Inconsistency[];
  /** It is to be signed by the reader, as this version of it; when they did, or null. */
  toSign: { version: number; signedAt: number | null } | null;
  /** Each discussion's own rule and habits, and where they are not the syllabus's. */
  discussions: {
    slug: string;
    title: string;
    week: number;
    late: LateRule;
    response: Habit;
    replies: Habit | null;
    found: Contradiction[];
  }[];
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
  const signing = syllabus ? await signingOf(deps.db, course.id) : null;
  const signs = signing?.toSign && (await roleIn(deps.db, course.id, actor.id)) === 'student';
  return ok({
    course,
    toSign: signs
      ? {
          version: signing.version,
          signedAt: await signedAt(deps.db, course.id, actor.id, signing.version),
        }
      : null,
    syllabus,
    inconsistencies: syllabus ? inconsistencies(syllabus) : [],
    discussions: records.map((r) => {
      const { late, responseDue, repliesDue } = r.timetable;
      const replyCount = r.brief.replies.count;
      return {
        slug: r.slug,
        title: r.title,
        week: r.week.number,
        late,
        response: habitOf(responseDue),
        replies: replyCount > 0 ? habitOf(repliesDue) : null,
        found: syllabus ? contradictions(syllabus, { late, responseDue, repliesDue, replyCount }) : [],
      };
    }),
  });
}
