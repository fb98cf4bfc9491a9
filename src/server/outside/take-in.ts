import type { FileTrouble } from '@/contract/files';
import { randomUUID } from 'node:crypto';
import type { NamedDate } from '@/core/calendar/dates-named';
import { storable } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import type { CourseId } from '@/core/ids';
import { plainText } from '@/core/document/flatten';
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
  FileTrouble | { code: 'no-calendar'; name: string } | { code: 'shown-in-part'; characters: number };

export type TakeInFailure = ({ code: 'nothing-to-read' } | NotRead) & { troubles: IntakeTrouble[] };

const isCalendar = (file: BroughtFile) =>
  /\.ics$/iu.test(file.name) ||
  /^\s*(?:\uFEFF)?BEGIN:VCALENDAR/iu.test(file.bytes.subarray(0, 200).toString('utf8'));

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
): Promise<Result<{ id: string }, TakeInFailure>> {
  const troubles: IntakeTrouble[] = [];
  let blocks: Doc['content'] = [];
  const wholes: string[] = [];
  const names: string[] = [];
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
    if (!read.ok) {
      troubles.push(read.failure);
      continue;
    }
    blocks = [...blocks, ...read.value.content];
    wholes.push(plainText(read.value));
    names.push(file.name);
  }
  const text = given.text.trim();
  if (text) {
    // Formatting comes along only when the text was not changed since it was pasted.
    const read = await readFor(deps, actor, 'pasted', given);
    if (!read.ok) return fail({ ...read.failure, troubles });
    blocks = [...blocks, ...read.value.content];
    wholes.push(given.text);
    names.push('pasted text');
  }
  const whole = storable(wholes.join('\n\n'));
  if (whole.trim() === '') return fail({ code: 'nothing-to-read', troubles });
  const fitted = await readFor(deps, actor, 'fitting', { doc: { type: 'doc', content: blocks }, whole });
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
      dates,
      troubles,
      takenAt: deps.now,
    },
    course,
  );
  return ok({ id });
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
