import type { FileTrouble } from '@/contract/files';
import { randomUUID } from 'node:crypto';
import type { NamedDate } from '@/core/calendar/dates-named';
import { storable } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { postsIn, promptOf, together, type Found } from '@/core/elsewhere/blocks';
import { calendarRows, courseOfEntries } from '@/core/elsewhere/calendar-rows';
import { asked, isPlan, type Term, type TermSaid } from '@/core/elsewhere/term';
import type { CourseId, DiscussionId } from '@/core/ids';
import { isBlank, plainText } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { insertIntake, intakeOf, waitingIntakes, type IntakeRecord } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { wordsFor } from '../formats/opened';
import { decodeText, type BroughtFile } from '../formats/read-file';

import type { NotRead } from '@/contract/not-read';
import { readFor } from '../readers/readers';

/** What went wrong or was left out on the way in; the rest was taken. */
export type IntakeTrouble =
  | FileTrouble
  | { code: 'no-calendar'; name: string }
  | { code: 'shown-in-part'; characters: number }
  | { code: 'no-posts' };

export type TakeInFailure = ({ code: 'nothing-to-read' } | NotRead) & { troubles: IntakeTrouble[] };

/** So many dates of a calendar can be chosen from beside a prompt. */
const MOST_DATES = 60;

const isCalendar = (file: BroughtFile) =>
  /\.ics$/iu.test(file.name) ||
  /^\s*(?:\uFEFF)?BEGIN:VCALENDAR/iu.test(file.bytes.subarray(0, 200).toString('utf8'));

/** What waits now: the posts found in it, and whether it is a plan of a term. */
export type TakenIn = { id: string; posts: number; term: boolean };

/** What a text says of a term's discussions; null where it takes too long to read. */
async function termIn(deps: Deps, actor: Actor, doc: Doc): Promise<Term | null> {
  const read = await readFor(deps, actor, 'term', { doc, now: wallClockAt(deps.now, actor.timeZone) });
  return read.ok ? read.value : null;
}

/** The plan of a term that a text or a calendar is; null where neither is one. */
function planOf(actor: Actor, written: Term | null, doc: Doc, dates: readonly NamedDate[]): TermSaid | null {
  if (written && isPlan(written.rows, false)) return asked(written, actor.timeZone);
  const rows = calendarRows(dates);
  // Beside a prompt a calendar is there for the prompt's own dates.
  return rows.length > 0 && isBlank(doc)
    ? asked({ course: courseOfEntries(dates), rows, rules: {}, rulesSaid: [], asked: [] }, actor.timeZone)
    : null;
}

/** Data says itself what it is. */
const isData = (file: BroughtFile) => /\.json$/iu.test(file.name);

/**
 * Takes in a prompt from a course that is not hosted here: pasted, dropped as a file, or both, with a calendar file beside it
 * whose times may be its deadlines. A file that cannot be read is named, and what was typed is taken all the same.
 * Nothing is a discussion yet: it waits to be confirmed, for a course of one's own, or for the one that is named.
 */
export async function takeIn(
  deps: Deps,
  actor: Actor,
  given: { text: string; html: string; files: BroughtFile[] },
  course: CourseId | null = null,
  into: { course: CourseId; id: DiscussionId } | null = null,
): Promise<Result<TakenIn, TakeInFailure>> {
  const troubles: IntakeTrouble[] = [];
  let blocks: Doc['content'] = [];
  const wholes: string[] = [];
  const names: string[] = [];
  const founds: Found[] = [];
  /** Of a page of somebody's own course, or a newer copy of one: whether it holds a discussion, which is then kept. */
  const holdsPosts = async (file: BroughtFile | null): Promise<boolean> => {
    if (course) return false;
    const { text, html } = file ? { text: '', html: '' } : given;
    const zone = actor.timeZone;
    const now = wallClockAt(deps.now, zone);
    const read = await readFor(deps, actor, 'discussion', { file, text, html, now, zone });
    if (!read.ok || postsIn(read.value) < (into ? 1 : 2)) return false;
    founds.push(read.value);
    wholes.push(
      read.value.blocks.map((b) => [b.author, plainText(b.doc)].filter(Boolean).join('\n')).join('\n\n'),
    );
    names.push(file?.name ?? 'pasted text');
    return true;
  };
  /** Rows with names and days are a plan, and not somebody's posts, where most of them name a discussion and when it is due. */
  const isDatedPlan = async (doc: Doc): Promise<boolean> => {
    if (course || into) return false;
    const term = await termIn(deps, actor, doc);
    terms.push(term);
    return term !== null && isPlan(term.rows, true);
  };
  const terms: (Term | null)[] = [];
  let dates: NamedDate[] = [];
  for (const file of given.files) {
    if (isCalendar(file)) {
      const text = decodeText(file.bytes) ?? '';
      const named = await readFor(deps, actor, 'dates', { text, zone: actor.timeZone });
      if (!named.ok) troubles.push({ code: 'file-not-read', name: file.name, why: named.failure.why });
      else if (named.value) dates = [...dates, ...named.value];
      else troubles.push({ code: 'no-calendar', name: file.name });
      continue;
    }
    const read = await wordsFor(deps, actor, file);
    const planned = read.ok && !isData(file) && (await isDatedPlan(read.value));
    if (!planned && (await holdsPosts(file))) continue;
    if (!read.ok) {
      troubles.push(read.failure);
      continue;
    }
    blocks = [...blocks, ...read.value.content];
    wholes.push(plainText(read.value));
    names.push(file.name);
  }
  if (given.text.trim()) {
    // Formatting comes along only when the text was not changed since it was pasted.
    const read = await readFor(deps, actor, 'pasted', given);
    if (!read.ok) return fail({ ...read.failure, troubles });
    if ((await isDatedPlan(read.value)) || !(await holdsPosts(null))) {
      blocks = [...blocks, ...read.value.content];
      wholes.push(given.text);
      names.push('pasted text');
    }
  }
  const found = together(founds);
  const content = [...(found ? promptOf(found).content : []), ...blocks];
  const all: Doc = { type: 'doc', content };
  // Of one text it is known already what it says; of several it is read anew of all of them.
  const written =
    found || course || into ? null : terms.length === 1 ? (terms[0] ?? null) : await termIn(deps, actor, all);
  const term = found || course || into ? null : planOf(actor, written, all, dates);
  const whole = storable(wholes.join('\n\n')) || (term?.rows.map((r) => r.said).join('\n') ?? '');
  if (whole.trim() === '') return fail({ code: 'nothing-to-read', troubles });
  const fitted = await readFor(deps, actor, 'fitting', {
    doc: { type: 'doc', content },
    // The posts are no part of the prompt.
    whole: found ? plainText({ type: 'doc', content }) : whole,
  });
  if (!fitted.ok) return fail({ ...fitted.failure, troubles });
  const { doc, cut } = fitted.value;
  if (cut) troubles.push({ code: 'shown-in-part', characters: whole.length });
  const id = randomUUID();
  await insertIntake(
    deps.db,
    actor.id,
    {
      id,
      doc,
      source: storable(names.join(', ').slice(0, 200)),
      whole,
      dates: dates.slice(0, MOST_DATES),
      troubles,
      takenAt: deps.now,
      found,
      term,
      calendar: null,
    },
    course,
    into,
  );
  return ok({ id, posts: found ? postsIn(found) : 0, term: term !== null });
}

export type Intake = Omit<IntakeRecord, 'troubles'> & { troubles: IntakeTrouble[] };

/** A prompt that waits to be confirmed, for the person who brought it in. */
export async function openIntake(deps: Deps, actor: Actor, id: string): Promise<Result<Intake, NotFound>> {
  const found = await intakeOf(deps.db, actor.id, id);
  return found
    ? ok({ ...found, troubles: found.troubles as IntakeTrouble[] })
    : fail({ code: 'not-found' as const });
}

export const waiting = (deps: Deps, actor: Actor) => waitingIntakes(deps.db, actor.id);
