import { wallClockAt } from '@/core/deadlines/wallclock';
import type { NamedDate } from '@/core/calendar/dates-named';
import { typedName } from '@/core/outside/course-name';
import type { Fields } from '@/core/outside/fields';
import { fieldsOfRules } from '@/core/outside/fields-of-rules';
import type { Usual } from '@/core/desk/usual';
import type { Suggestion } from '@/core/outside/suggest';
import type { Doc } from '@/core/document/nodes';
import { ok, type Result } from '@/core/result';
import type { Rubric } from '@/core/rubric/rubric';
import { coursesOf } from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';
import { rulesOf } from './confirm';
import { enterOutside } from './enter';
import { openIntake, type Intake, type IntakeTrouble } from './take-in';

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
  /** The rubric that stands in the prompt or beside it, and whether it is to stand beside it. */
  rubric?: { found: Rubric; taken: boolean } | null;
  /** Fields that the text leaves unsaid, and what each was filled in like. */
  usual?: Usual['like'];
};

/** Every zone, one's own first. */
export const zones = (own: string) => [...new Set([own, ...Intl.supportedValuesOf('timeZone'), 'UTC'])];

const NOTHING_READ: Suggestion = {
  fields: {},
  evidence: {},
  otherwise: [],
  asked: [],
  also: [],
  rubric: null,
  cut: true,
};

/** What a text can be read as; nothing of one that takes too long, which is then said and filled in by hand. */
export async function suggestionFor(deps: Deps, actor: Actor, doc: Doc, zone: string): Promise<Suggestion> {
  const read = await readFor(deps, actor, 'brief', { doc, now: wallClockAt(deps.now, zone) });
  return read.ok ? read.value : NOTHING_READ;
}

/** The rubric that was read in a prompt, as it is offered: taken, unless it was left once. */
const offered = (found: Rubric | null, taken = true): BriefPage['rubric'] => found && { found, taken };

/** A prompt that was brought in, with what was read out of it. */
export async function intakePage(deps: Deps, actor: Actor, id: string): Promise<Result<BriefPage, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  const { into } = intake.value;
  if (into) return promptPage(deps, actor, intake.value, into.slug);
  const outside = (await coursesOf(deps.db, actor.id)).filter((c) => c.outside);
  const suggestion = await suggestionFor(deps, actor, intake.value.doc, actor.timeZone);
  const [only] = outside.length === 1 ? outside : [];
  return ok({
    doc: intake.value.doc,
    suggestion,
    fields: {
      ...suggestion.fields,
      ...(intake.value.found?.title ? { title: intake.value.found.title } : {}),
      ...(intake.value.found?.course ? { course: intake.value.found.course } : {}),
      zone: only?.zone ?? actor.timeZone,
      ...(only ? { course: typedName(only) } : {}),
    },
    dates: intake.value.dates,
    troubles: intake.value.troubles,
    zones: zones(actor.timeZone),
    courses: outside.map(typedName),
    fixedCourse: false,
    rubric: offered(suggestion.rubric),
  });
}

/** The prompt of a discussion that awaited it: what it asks, and what of the discussion's rules it leaves as they are. */
async function promptPage(
  deps: Deps,
  actor: Actor,
  intake: Intake,
  slug: string,
): Promise<Result<BriefPage, NotFound>> {
  const standing = await correctPage(deps, actor, slug);
  if (!standing.ok) return standing;
  const { zone = actor.timeZone, title, week, ...rules } = standing.value.fields;
  const suggestion = await suggestionFor(deps, actor, intake.doc, zone);
  return ok({
    ...standing.value,
    doc: intake.doc,
    suggestion,
    fields: { ...rules, ...suggestion.fields, zone, title, week: suggestion.fields.week || week },
    dates: intake.dates,
    troubles: intake.troubles,
    rubric: standing.value.rubric ?? offered(suggestion.rubric),
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
    rubric: record.rubric ? { found: record.rubric, taken: true } : offered(read.rubric, false),
  });
}
