import { wallClockAt } from '@/core/deadlines/wallclock';
import type { NamedDate } from '@/core/calendar/dates-named';
import { typedName } from '@/core/outside/course-name';
import type { Fields } from '@/core/outside/fields';
import { fieldsOfRules } from '@/core/outside/fields-of-rules';
import type { Usual } from '@/core/desk/usual';
import type { Suggestion } from '@/core/outside/suggest';
import type { Doc } from '@/core/document/nodes';
import { ok, type Result } from '@/core/result';
import { coursesOf } from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';
import { enterOutside, rulesOf } from './confirm';
import { openIntake, type IntakeTrouble } from './take-in';

export type BriefPage = {
  doc: Doc;
  /** What stands in the form at first. */
  fields: Fields;
  /** What the text was read as. */
  suggestion: Suggestion;
  dates: NamedDate[];
  troubles: IntakeTrouble[];
  zones: string[];
  /** Names of the student's outside courses. */
  courses: string[];
  fixedCourse: boolean;
  /** Fields that the text leaves unsaid, and what each was filled in like. */
  usual?: Usual['like'];
};

/** Every zone, one's own first. */
export const zones = (own: string) => [...new Set([own, ...Intl.supportedValuesOf('timeZone'), 'UTC'])];

/** What a text can be read as; nothing of one that takes too long, which is then said and filled in by hand. */
export async function suggestionFor(deps: Deps, actor: Actor, doc: Doc, zone: string): Promise<Suggestion> {
  const read = await readFor(deps, actor, 'brief', { doc, now: wallClockAt(deps.now, zone) });
  return read.ok ? read.value : { fields: {}, evidence: {}, otherwise: [], also: [], cut: true };
}

/** A prompt that was brought in, with what was read out of it. */
export async function intakePage(deps: Deps, actor: Actor, id: string): Promise<Result<BriefPage, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  const outside = (await coursesOf(deps.db, actor.id)).filter((c) => c.outside);
  const suggestion = await suggestionFor(deps, actor, intake.value.doc, actor.timeZone);
  const [only] = outside.length === 1 ? outside : [];
  return ok({
    doc: intake.value.doc,
    suggestion,
    fields: {
      ...suggestion.fields,
      zone: only?.zone ?? actor.timeZone,
      ...(only ? { course: typedName(only) } : {}),
    },
    dates: intake.value.dates,
    troubles: intake.value.troubles,
    zones: zones(actor.timeZone),
    courses: outside.map(typedName),
    fixedCourse: false,
  });
}

/** The rules of an outside discussion as they stand, beside what its text says. */
export async function correctPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<BriefPage, NotFound>> {
  const door = await enterOutside(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const read = await suggestionFor(deps, actor, record.prompt, record.timetable.zone);
  return ok({
    doc: record.prompt,
    suggestion: read,
    fields: fieldsOfRules(rulesOf(door.value)),
    dates: [],
    troubles: [],
    zones: zones(record.timetable.zone),
    courses: [typedName(record.course)],
    fixedCourse: true,
  });
}
