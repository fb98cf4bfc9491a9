import { randomUUID } from 'node:crypto';
import { daysLater, type WallClock } from '@/core/deadlines/wallclock';
import { discussionId } from '@/core/ids';
import { typedName } from '@/core/outside/course-name';
import { usualFields } from '@/core/desk/usual';
import { rulesOfFields, fieldsOfRules, type Fields, type OutsideRules } from '@/core/outside/fields';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { weeksOf } from '@/db/queries/courses';
import { habitsOf } from '@/db/queries/course-settings';
import { insertWeek } from '@/db/queries/desk';
import { discussionsOf } from '@/db/queries/discussions';
import { deleteIntakeFor, insertDiscussion, intakeFor, updateDiscussion } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { suggestionFor, zones, type BriefPage } from '../outside/brief-page';
import { mondayOf, rulesOf, type ConfirmFailure } from '../outside/confirm';
import { takeIn, type IntakeTrouble, type TakeInFailure } from '../outside/take-in';
import type { BroughtFile } from '../formats/read-file';
import { discussionOnDesk, enterDesk } from './enter';
import { freeName, plainName } from './names';

/** Takes a prompt in for a course: pasted, or out of a file. It waits on the desk until its brief is confirmed. */
export async function takePromptIn(
  deps: Deps,
  actor: Actor,
  slug: string,
  given: { text: string; html: string; files: BroughtFile[] },
): Promise<Result<{ id: string }, NotFound | TakeInFailure>> {
  const door = await enterDesk(deps, actor, slug);
  return door.ok ? takeIn(deps, actor, given, door.value.id) : door;
}

const courseOf = ({ code, title }: EnteredCourse) => typedName({ code, title });

/**
 * A prompt that waits on the desk, with what was read out of it. What it leaves unsaid is filled in as the course did it last; `week` is
 * the number of the week one came from, if from one.
 */
export async function promptPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
  week: number | null = null,
): Promise<Result<BriefPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const intake = await intakeFor(deps.db, course.id, id);
  if (!intake) return fail({ code: 'not-found' });
  const suggestion = await suggestionFor(deps, actor, intake.doc, course.zone);
  const [weeks, before] = [
    await weeksOf(deps.db, course.id),
    await ask(discussionsOf(deps.db, actor.id, { course: course.id })),
  ];
  const usual = usualFields(
    suggestion.fields,
    weeks,
    before.map((d) => ({ ...d.timetable, week: d.week })),
    week,
    await habitsOf(deps.db, course.id),
  );
  return ok({
    doc: intake.doc,
    suggestion: {
      ...suggestion,
      fields: { ...suggestion.fields, ...usual.fields, zone: course.zone, course: courseOf(course) },
    },
    usual: usual.like,
    dates: intake.dates,
    troubles: intake.troubles as IntakeTrouble[],
    zones: zones(course.zone),
    courses: [courseOf(course)],
    fixedCourse: true,
  });
}

/** The week a prompt is of: the one it names, or the last that begins before its deadline. One that is not there is made. */
async function weekOnDesk(tx: Db, course: EnteredCourse, rules: OutsideRules) {
  const weeks = await weeksOf(tx, course.id);
  const day = rules.responseDue.slice(0, 10);
  const number = rules.week ?? weeks.findLast((w) => w.startsOn <= day)?.number ?? 1;
  const there = weeks.find((w) => w.number === number);
  if (there) return there;
  const made = { number, title: `Week ${number}`, startsOn: mondayOf(rules.responseDue), overview: '' };
  await insertWeek(tx, course.id, made);
  return made;
}

/** When a discussion opens: as wished, or a week before its response is due where that is earlier. */
const opening = (wished: WallClock, rules: OutsideRules): WallClock =>
  wished < rules.responseDue ? wished : daysLater(rules.responseDue, -7);

/** Makes a discussion of a prompt as its brief was confirmed. The class does not see it until it is shown. */
export async function makeDiscussion(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
  fields: Fields,
): Promise<Result<{ slug: string }, ConfirmFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const read = rulesOfFields({ ...fields, course: courseOf(course), zone: course.zone });
  if (!read.ok) return read;
  const rules = read.value;
  return deps.db.transaction(async (tx) => {
    const intake = await intakeFor(tx, course.id, id);
    if (!intake) return fail({ code: 'not-found' as const });
    const week = await weekOnDesk(tx, course, rules);
    const name = await freeName(tx, `${plainName(course.code)}-w${week.number}`);
    const place = {
      course: course.id,
      id: discussionId(randomUUID()),
      slug: name,
      week: week.number,
      opens: opening(`${week.startsOn}T06:00`, rules),
      shown: false,
    };
    await insertDiscussion(tx, place, intake.doc, rules, { name: intake.source, whole: intake.whole });
    await deleteIntakeFor(tx, course.id, id);
    return ok({ slug: name });
  });
}

/** Puts a prompt away that was taken in and never made a discussion. */
export async function putPromptAway(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
): Promise<Result<null, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  await deleteIntakeFor(deps.db, door.value.id, id);
  return ok(null);
}

/** A discussion's rules as they stand, beside what its text says. */
export async function rulesPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
): Promise<Result<BriefPage & { title: string }, NotFound | { code: 'has-posts' }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const { record, posts } = found.value;
  if (posts > 0) return fail({ code: 'has-posts' });
  const read = await suggestionFor(deps, actor, record.prompt, door.value.zone);
  return ok({
    title: record.title,
    doc: record.prompt,
    suggestion: { ...read, fields: fieldsOfRules(rulesOf({ record })) },
    dates: [],
    troubles: [],
    zones: zones(door.value.zone),
    courses: [courseOf(door.value)],
    fixedCourse: true,
  });
}

/** Changes what a discussion asks for, as long as nobody has shared anything in it: what counted stays what it was. */
export async function changeRules(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  fields: Fields,
): Promise<Result<{ slug: string }, ConfirmFailure | { code: 'has-posts' }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const read = rulesOfFields({ ...fields, course: courseOf(course), zone: course.zone });
  if (!read.ok) return read;
  const rules = read.value;
  return deps.db.transaction(async (tx) => {
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const { record, posts } = found.value;
    if (posts > 0) return fail({ code: 'has-posts' as const });
    const { number } = await weekOnDesk(tx, course, rules);
    const place = { id: record.id, week: number, opens: opening(record.timetable.opens, rules) };
    await updateDiscussion(tx, place, record.prompt, rules);
    return ok({ slug: name });
  });
}
