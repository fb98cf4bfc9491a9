import type { BeginPage } from '@/contract/course';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { discussionState } from '@/core/deadlines/state';
import { firstSteps } from '@/core/desk/first-steps';
import { fail, ok, type Result } from '@/core/result';
import { askTogether } from '@/db/ask';
import { beginningOf } from '@/db/queries/beginnings';
import { readingsOf } from '@/db/queries/courses';
import { discussionsOf } from '@/db/queries/discussions';
import { timesOf } from '@/db/queries/groups';
import { ownPosts } from '@/db/queries/own-posts';
import { signedAt, signingOf } from '@/db/queries/syllabus';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse } from './enter';

/** How one begins in a course: what its staff say, and for a student what to do first, with how far each of it is. */
export async function beginPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<BeginPage, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const { db, now } = deps;
  const doc = await beginningOf(db, course.id);
  if (!doc && !course.staff) return fail({ code: 'not-found' });
  if (course.role !== 'student') return ok({ course, doc, steps: [] });
  const [signing, times, { readings, records }] = await Promise.all([
    signingOf(db, course.id),
    timesOf(db, course.id, actor.id),
    askTogether(db, {
      readings: readingsOf(db, course.id, actor.id),
      records: discussionsOf(db, actor.id, { course: course.id }),
    }),
  ]);
  const { own } = await askTogether(db, {
    own: ownPosts(
      db,
      actor.id,
      records.map((r) => r.id),
    ),
  });
  const signed = signing?.toSign
    ? (await signedAt(db, course.id, actor.id, signing.version)) !== null
    : false;
  const first = Math.min(...readings.map((r) => r.week));
  const ofFirst = readings.filter((r) => r.week === first);
  const shared = own.some((p) => p.kind === 'response');
  const stateOf = (r: (typeof records)[number]) => discussionState(resolveSchedule(r.timetable), now);
  const begin = records.find((r) => !['upcoming', 'closed'].includes(stateOf(r))) ?? null;
  return ok({
    course,
    doc,
    steps: firstSteps({
      syllabus: { toSign: signing?.toSign ?? false, signed },
      readings: { all: ofFirst.length, read: ofFirst.filter((r) => r.readAt !== null).length },
      groups: { held: records.some((r) => r.brief.grouped === true), said: times !== 0 },
      response: { open: begin !== null || shared, shared },
    }).map((step) => ({
      ...step,
      reading: step.what === 'read' ? (ofFirst.find((r) => r.readAt === null)?.slug ?? null) : null,
      discussion: step.what === 'respond' && !step.done ? (begin?.slug ?? null) : null,
    })),
  });
}
