import { randomBytes, randomUUID } from 'node:crypto';
import { daysLater, wallClockAt, weekdayOf, type WallClock } from '@/core/deadlines/wallclock';
import { courseId, courseSlug, discussionId, type CourseId } from '@/core/ids';
import { isAwaited } from '@/core/elsewhere/term';
import { courseNamed, typedName } from '@/core/outside/course-name';
import type { FieldProblem, Fields, OutsideRules } from '@/core/outside/fields';
import { rulesOfFields } from '@/core/outside/rules-of-fields';
import { fail, ok, type Result } from '@/core/result';
import type { Doc } from '@/core/document/nodes';
import type { Rubric } from '@/core/rubric/rubric';
import type { Db } from '@/db/connection';
import { coursesOf } from '@/db/queries/courses';
import { setRubric } from '@/db/queries/kept-rubrics';
import {
  deleteIntake,
  deleteOutsideDiscussion,
  insertOutsideCourse,
  insertDiscussion,
  intakeOf,
  outsideCourse,
  putWeek,
  replacePrompt,
  renameOutsideCourse,
  updateDiscussion,
  type IntakeRecord,
} from '@/db/queries/outside';
import { lockSharing } from '@/db/queries/sharing';
import type { Entered, NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';
import { enterOutside } from './enter';
import { putPosts, readyPosts } from './put-posts';

/** What is said of a rubric that stands in a prompt: it is to stand beside it, or not; null where there was none to speak of. */
export type RubricSaid = 'taken' | 'left' | null;

/** The same with the rubric itself, read before anything is changed. */
type RubricToKeep = Rubric | 'left' | null;

async function toKeep(deps: Deps, actor: Actor, said: RubricSaid, doc: Doc): Promise<RubricToKeep> {
  if (said !== 'taken') return said;
  const read = await readFor(deps, actor, 'rubric', { doc });
  return read.ok ? read.value : null;
}

export type CourseTaken = { field: 'course'; code: 'hosted-here'; course: string };
export type ConfirmProblem = FieldProblem | CourseTaken;
export type ConfirmFailure = NotFound | { code: 'fields'; problems: ConfirmProblem[] };

const WEEK_MS = 7 * 86_400_000;

/** A name for an outside discussion in an address, which tells nothing of it. */
export const newSlug = () => `outside-${randomBytes(5).toString('hex')}`;

/** The date of the Monday before, or on, a day. */
export const mondayOf = (wall: WallClock) => daysLater(wall, 1 - weekdayOf(wall)).slice(0, 10);

/** The number of a week in its year (ISO 8601): what a prompt's week is called where nobody says. */
function weekOfYear(monday: string): number {
  const thursday = daysLater(`${monday}T00:00`, 3).slice(0, 10);
  const first = mondayOf(`${thursday.slice(0, 4)}-01-04T00:00`);
  return 1 + Math.round((Date.parse(monday) - Date.parse(first)) / WEEK_MS);
}

/** From when one can write: now, or a week before a deadline that is already past. */
export function opening(deps: Deps, rules: OutsideRules): WallClock {
  const now = wallClockAt(deps.now, rules.zone);
  return now < rules.responseDue ? now : daysLater(rules.responseDue, -7);
}

/** The student's own course of that name, made if it is new. A course of that name that is hosted here is another one. */
export async function courseFor(
  tx: Db,
  actor: Actor,
  rules: OutsideRules,
): Promise<Result<CourseId, { code: 'fields'; problems: ConfirmProblem[] }>> {
  const { code, title } = courseNamed(rules.course);
  const hosted = (await coursesOf(tx, actor.id)).find(
    (c) => !c.outside && courseSlug(c.code) === courseSlug(code),
  );
  if (hosted)
    return fail({
      code: 'fields',
      problems: [{ field: 'course', code: 'hosted-here', course: hosted.code }],
    });
  const known = await outsideCourse(tx, actor.id, code);
  if (known) {
    await renameOutsideCourse(tx, known, { title, zone: rules.zone });
    return ok(known);
  }
  const id = courseId(randomUUID());
  await insertOutsideCourse(tx, { id, owner: actor.id, code, title, zone: rules.zone });
  return ok(id);
}

export async function weekFor(tx: Db, course: CourseId, rules: OutsideRules): Promise<number> {
  const startsOn = mondayOf(rules.responseDue);
  const number = rules.week ?? weekOfYear(startsOn);
  await putWeek(tx, course, { number, startsOn });
  return number;
}

/** Makes a private discussion of a prompt that was brought in, with the rules as its student confirmed them. */
export async function confirmIntake(
  deps: Deps,
  actor: Actor,
  id: string,
  fields: Fields,
  rubric: RubricSaid = null,
): Promise<Result<{ slug: string }, ConfirmFailure>> {
  const read = rulesOfFields(fields);
  if (!read.ok) return read;
  const rules = read.value;
  const waiting = await intakeOf(deps.db, actor.id, id);
  if (!waiting) return fail({ code: 'not-found' });
  const kept = await toKeep(deps, actor, rubric, waiting.doc);
  if (waiting.into) return bringPrompt(deps, actor, waiting, fields, kept);
  const ready = await readyPosts(deps, actor, rules, waiting.found?.blocks ?? []);
  return deps.db.transaction(async (tx) => {
    // Confirmed twice it is one discussion.
    const intake = await intakeOf(tx, actor.id, id);
    if (!intake) return fail({ code: 'not-found' as const });
    const course = await courseFor(tx, actor, rules);
    if (!course.ok) return course;
    const week = await weekFor(tx, course.value, rules);
    const slug = newSlug();
    const place = {
      course: course.value,
      id: discussionId(randomUUID()),
      slug,
      week,
      opens: opening(deps, rules),
    };
    await insertDiscussion(tx, place, intake.doc, rules, { name: intake.source, whole: intake.whole });
    if (kept && kept !== 'left') await setRubric(tx, place.course, place.id, kept);
    await putPosts(tx, deps, actor, { ...place, brief: rules.brief, zone: rules.zone }, ready);
    await deleteIntake(tx, actor.id, id);
    return ok({ slug });
  });
}

/** Puts a prompt that was brought in in the place of what a plan said of its discussion, with the rules as they were confirmed. */
async function bringPrompt(
  deps: Deps,
  actor: Actor,
  intake: IntakeRecord,
  fields: Fields,
  rubric: RubricToKeep,
): Promise<Result<{ slug: string }, ConfirmFailure>> {
  const slug = intake.into?.slug ?? '';
  return deps.db.transaction(async (tx) => {
    const door = await enterOutside(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record } = door.value;
    if (!isAwaited(record.prompt)) return fail({ code: 'not-found' as const });
    const source = { name: intake.source, whole: intake.whole };
    await replacePrompt(tx, { course: record.course.id, id: record.id }, intake.doc, source);
    const done = await correctIn(tx, deps, actor, slug, fields, rubric);
    if (done.ok) await deleteIntake(tx, actor.id, intake.id);
    return done;
  });
}

/** What a discussion's rules are, as they are corrected. */
export const rulesOf = ({ record }: Pick<Entered, 'record'>): OutsideRules => ({
  title: record.title,
  course: typedName(record.course),
  week: record.week.number,
  zone: record.timetable.zone,
  responseDue: record.timetable.responseDue,
  repliesDue: record.timetable.repliesDue,
  late: record.timetable.late,
  brief: record.brief,
});

/**
 * Corrects the rules of an outside discussion. Its course stays the one it is in: only its name and zone may change, which
 * they then do for all its discussions.
 */
export async function correctRules(
  deps: Deps,
  actor: Actor,
  slug: string,
  fields: Fields,
  rubric: RubricSaid = null,
): Promise<Result<{ slug: string }, ConfirmFailure>> {
  const door = await enterOutside(deps, actor, slug);
  if (!door.ok) return door;
  const kept = await toKeep(deps, actor, rubric, door.value.record.prompt);
  return deps.db.transaction((tx) => correctIn(tx, deps, actor, slug, fields, kept));
}

async function correctIn(
  tx: Db,
  deps: Deps,
  actor: Actor,
  slug: string,
  fields: Fields,
  rubric: RubricToKeep,
): Promise<Result<{ slug: string }, ConfirmFailure>> {
  const door = await enterOutside(deps, actor, slug, tx);
  if (!door.ok) return door;
  const { record } = door.value;
  const read = rulesOfFields({ ...fields, course: typedName(record.course) }, record.brief);
  if (!read.ok) return read;
  const rules = read.value;
  await lockSharing(tx, actor.id, record.id);
  await renameOutsideCourse(tx, record.course.id, { title: record.course.title, zone: rules.zone });
  const week = await weekFor(tx, record.course.id, rules);
  const opens = record.timetable.opens < rules.responseDue ? record.timetable.opens : opening(deps, rules);
  await updateDiscussion(tx, { id: record.id, week, opens }, record.prompt, rules);
  // One that stands stays as it is: somebody may have looked at a text by it.
  if (rubric !== null && (rubric !== 'left') !== (record.rubric !== null))
    await setRubric(tx, record.course.id, record.id, rubric === 'left' ? null : rubric);
  return ok({ slug });
}

/** Puts a prompt away that was brought in and never confirmed. */
export const putAway = (deps: Deps, actor: Actor, id: string) => deleteIntake(deps.db, actor.id, id);

/** Removes an outside discussion with everything that was written in it. */
export async function removeOutside(deps: Deps, actor: Actor, slug: string): Promise<Result<null, NotFound>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterOutside(deps, actor, slug, tx);
    if (!door.ok) return door;
    await deleteOutsideDiscussion(tx, door.value.record.course.id, door.value.record.id);
    return ok(null);
  });
}
