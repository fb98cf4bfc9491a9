import { randomUUID } from 'node:crypto';
import { daysLater, type WallClock } from '@/core/deadlines/wallclock';
import type { DocumentFailure } from '@/core/document/document';
import { discussionId } from '@/core/ids';
import { canonicalJson } from '@/core/posts/canonical';
import { typedName } from '@/core/outside/course-name';
import { usualFields } from '@/core/desk/usual';
import type { Fields, OutsideRules } from '@/core/outside/fields';
import { fieldsOfRules } from '@/core/outside/fields-of-rules';
import { rulesOfFields } from '@/core/outside/rules-of-fields';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { weeksOf } from '@/db/queries/courses';
import { habitsOf } from '@/db/queries/course-settings';
import { holdDiscussion, insertWeek } from '@/db/queries/desk';
import { discussionsOf } from '@/db/queries/discussions';
import { deleteIntakeFor, insertDiscussion, intakeFor, updateDiscussion } from '@/db/queries/outside';
import { replacePrompt } from '@/db/queries/material';
import { promptChanged } from '@/db/queries/prompt-versions';
import type { NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import { materialText } from '../courses/material';
import type { Actor, Deps } from '../deps';
import { keepAndTell } from '../notices/happened';
import { suggestionFor, zones, type BriefPage } from '../outside/brief-page';
import { mondayOf, rulesOf, type ConfirmFailure } from '../outside/confirm';
import { takeIn, type IntakeTrouble, type TakeInFailure } from '../outside/take-in';
import type { BroughtFile } from '../formats/read-file';
import { sha256 } from '../posts/fingerprint';
import { consequencesOf, type Touches } from './consequences';
import { noteDifferences } from './differences';
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
    suggestion,
    fields: { ...suggestion.fields, ...usual.fields, zone: course.zone, course: courseOf(course) },
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

/** Makes a discussion of a prompt as its brief was confirmed, and its text as it was written here, where it was. The class does not see it until it is shown. */
export async function makeDiscussion(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
  { fields, doc: sent }: { fields: Fields; doc?: unknown },
): Promise<Result<{ slug: string }, ConfirmFailure | DocumentFailure | { code: 'nothing-written' }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const read = rulesOfFields({ ...fields, course: courseOf(course), zone: course.zone });
  if (!read.ok) return read;
  const rules = read.value;
  return deps.db.transaction(async (tx) => {
    const intake = await intakeFor(tx, course.id, id);
    if (!intake) return fail({ code: 'not-found' as const });
    const doc =
      sent === undefined ? ok(intake.doc) : await materialText(tx, actor, course.id, sent, intake.doc);
    if (!doc.ok) return doc;
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
    await insertDiscussion(tx, place, doc.value, rules, { name: intake.source, whole: intake.whole });
    await deleteIntakeFor(tx, course.id, id);
    await noteDifferences(deps, tx, actor, course.id, name);
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
): Promise<Result<BriefPage & { title: string; stamp: string }, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const { record } = found.value;
  const read = await suggestionFor(deps, actor, record.prompt, door.value.zone);
  const changed = await ask(promptChanged(deps.db, record.id));
  return ok({
    title: record.title,
    // What is kept on a machine is of this text, and of no other.
    stamp: sha256(canonicalJson({ prompt: record.prompt, changed: changed?.times ?? 0 })),
    doc: record.prompt,
    suggestion: read,
    fields: fieldsOfRules(rulesOf({ record })),
    dates: [],
    troubles: [],
    zones: zones(door.value.zone),
    courses: [courseOf(door.value)],
    fixedCourse: true,
  });
}

export type RulesFailure =
  | ConfirmFailure
  | DocumentFailure
  | { code: 'nothing-written' }
  | { code: 'groups-stay' }
  | ({ code: 'touches' } & Touches);

/**
 * Changes what a discussion asks for: its rules, and its text where one is given. Of one that the class sees, what it asked for before
 * is kept. Where that is other for somebody who has shared something, it is done only by who has seen for whom (`sure` is the stamp of
 * what they saw). What was shared keeps what it met.
 */
export async function changeRules(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  given: { fields: Fields; doc?: unknown; sure?: string | null },
): Promise<Result<{ slug: string }, RulesFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx): Promise<Result<{ slug: string }, RulesFailure>> => {
    await holdDiscussion(tx, course.id, name);
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const { record, posts } = found.value;
    const fields = { ...given.fields, course: courseOf(course), zone: course.zone };
    const read = rulesOfFields(fields, record.classBrief);
    if (!read.ok) return read;
    const rules = read.value;
    if (posts > 0 && (rules.brief.grouped ?? false) !== (record.classBrief.grouped ?? false))
      return fail({ code: 'groups-stay' });
    const doc =
      given.doc === undefined
        ? ok(record.prompt)
        : await materialText(tx, actor, course.id, given.doc, record.prompt);
    if (!doc.ok) return doc;
    const place = { id: record.id, week: record.week.number, opens: opening(record.timetable.opens, rules) };
    const { late, responseDue, repliesDue, brief } = rules;
    const after = {
      ...record,
      brief,
      classBrief: brief,
      prompt: doc.value,
      timetable: { ...record.timetable, late, responseDue, repliesDue, opens: place.opens },
    };
    if (posts > 0) {
      const { touched, stamp, apply } = await consequencesOf(deps, tx, actor, course, {
        before: record,
        after,
      });
      if (touched.length > 0 && given.sure !== stamp) return fail({ code: 'touches', touched, stamp });
      await apply(tx);
    }
    const now = { rules, doc: doc.value };
    if (canonicalJson(now) !== canonicalJson({ rules: rulesOf({ record }), doc: record.prompt }))
      await keepAndTell(tx, { course: course.id, discussion: record.id }, actor.id, deps.now);
    const { number } = await weekOnDesk(tx, course, rules);
    await replacePrompt(tx, { id: record.id, brief, outside: false }, doc.value);
    await updateDiscussion(tx, { ...place, week: number }, doc.value, rules);
    await noteDifferences(deps, tx, actor, course.id, name);
    return ok({ slug: name });
  });
}
