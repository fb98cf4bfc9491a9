import { createHash, randomUUID } from 'node:crypto';
import type { BroughtLine, BroughtMarks } from '@/contract/marks';
import type { NotRead } from '@/contract/not-read';
import { fail, ok, type Result } from '@/core/result';
import type { MarkPart } from '@/core/marks/mark';
import type { TableLine, TableProblem } from '@/core/marks/read-table';
import { tableChange, whoIs } from '@/core/marks/table-change';
import type { Db } from '@/db/connection';
import { broughtMarks, dropBrought, insertBrought, type BroughtRecord } from '@/db/queries/brought-marks';
import { holdDiscussion } from '@/db/queries/desk';
import { putMarking } from '@/db/queries/marking';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { readFor } from '../readers/readers';
import { marksFor, type ClassMarks, type Marked } from './class-marks';

/** A large class with every column and remark; of a larger file nothing is read. */
export const MOST_TABLE_BYTES = 2_000_000;

type At = { slug: string; name: string };

export type BringFailure =
  | NotFound
  | NotRead
  | { code: 'table-too-large' }
  | { code: 'table-empty' }
  | { code: 'table-too-long' }
  | { code: 'table-columns' };

async function entered(deps: Deps, db: Db, actor: Actor, { slug, name }: At) {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(db, actor, door.value, name);
  if (!found.ok) return found;
  const { record } = found.value;
  const marks = await marksFor(deps, db, actor, door.value, record);
  return ok({
    course: door.value,
    record,
    marks,
    place: { course: door.value.id, discussion: record.id },
  });
}

/** Takes a file in as a table of marks that is to be looked at: no mark is changed yet. */
export async function bringMarks(
  deps: Deps,
  actor: Actor,
  at: At,
  file: { name: string; bytes: Buffer; cut: boolean },
): Promise<Result<{ id: string }, BringFailure>> {
  const door = await entered(deps, deps.db, actor, at);
  if (!door.ok) return door;
  if (file.cut) return fail({ code: 'table-too-large' });
  const { marks, place } = door.value;
  const read = await readFor(deps, actor, 'marks', { bytes: file.bytes, scheme: marks.scheme });
  if (!read.ok) return read;
  if (read.value.code === 'empty') return fail({ code: 'table-empty' });
  if (read.value.code === 'no-columns') return fail({ code: 'table-columns' });
  if (read.value.left > 0) return fail({ code: 'table-too-long' });
  const id = randomUUID();
  const name = file.name.slice(0, 300) || 'marks';
  await insertBrought(deps.db, place, {
    id,
    name,
    lines: read.value.lines,
    by: actor.id,
    now: deps.now,
  });
  return ok({ id });
}

type Sound = { line: BroughtLine; part: MarkPart; marked: Marked };
type Compared = { sound: Sound[]; same: number; problems: BroughtMarks['problems']; stamp: string };

/** Every line of a table against the marks as they stand. */
function compare({ scheme, all }: ClassMarks, lines: readonly TableLine[]): Compared {
  const people = all.map((m) => ({ ...m.student, marked: m }));
  const sound: Sound[] = [];
  const problems: Compared['problems'] = [];
  let same = 0;
  const wrong = (line: TableLine, problem: TableProblem) =>
    problems.push({ line: line.line, who: line.name || line.email || line.id, problem });
  const named = new Map<string, number>();
  for (const line of lines) {
    const who = line.problem ? null : whoIs(line, people);
    if (who && 'code' in who) {
      wrong(line, who);
      continue;
    }
    const earlier = who && named.get(who.id);
    if (earlier) {
      // One line by address and another by name.
      wrong(line, { code: 'doubled', line: earlier });
      continue;
    }
    if (line.problem || !who) {
      wrong(line, line.problem ?? { code: 'unknown' });
      continue;
    }
    named.set(who.id, line.line);
    const { marked } = who;
    if (marked.state === 'held') {
      wrong(line, { code: 'held' });
      continue;
    }
    const { mark, late } = marked;
    const change = tableChange(line, { mark, late, revision: marked.written?.revision ?? 0 }, scheme);
    if (change.code === 'problem') wrong(line, change.problem);
    else if (change.code === 'same') same += 1;
    else {
      const { part, before, after, over } = change;
      sound.push({
        line: {
          line: line.line,
          id: who.id,
          name: who.name,
          before,
          after,
          verdicts: [mark.verdict, part.verdict],
          over,
        },
        part,
        marked,
      });
    }
  }
  const told = [scheme, sound.map((s) => [s.line, s.part, s.marked.written?.revision ?? 0])];
  return { sound, same, problems, stamp: createHash('sha256').update(JSON.stringify(told)).digest('hex') };
}

async function brought(
  deps: Deps,
  db: Db,
  actor: Actor,
  at: At,
  id: string,
  hold: boolean,
): Promise<
  Result<
    {
      course: BroughtMarks['course'];
      record: { title: string; week: { number: number } };
      marks: ClassMarks;
      place: Parameters<typeof dropBrought>[1];
      file: BroughtRecord;
    },
    NotFound
  >
> {
  const door = await entered(deps, db, actor, at);
  if (!door.ok) return door;
  const file = await broughtMarks(db, door.value.place, id, hold);
  return file ? ok({ ...door.value, file }) : fail({ code: 'not-found' });
}

/** A table before it is taken over: what would change, what stays, and every line that cannot be used, with why. */
export async function broughtPage(
  deps: Deps,
  actor: Actor,
  at: At,
  id: string,
): Promise<Result<BroughtMarks, NotFound>> {
  const found = await brought(deps, deps.db, actor, at, id, false);
  if (!found.ok) return found;
  const { course, record, marks, file } = found.value;
  const { sound, same, problems, stamp } = compare(marks, file.lines);
  return ok({
    id,
    file: file.name,
    course,
    discussion: { slug: at.name, title: record.title, week: record.week.number },
    scheme: marks.scheme,
    stamp,
    changes: sound.map((s) => s.line),
    same,
    problems,
  });
}

/**
 * Takes the sound lines of a table over, all in one transaction: those that nobody wrote on since the file was saved, and of the others
 * those that are named. Where any of those marks was written on since one looked, nothing is taken.
 *
 * @returns how many marks were changed
 */
export async function takeMarks(
  deps: Deps,
  actor: Actor,
  at: At,
  { id, stamp, over }: { id: string; stamp: string; over: readonly string[] },
): Promise<Result<number, NotFound | { code: 'marks-moved' }>> {
  return deps.db
    .transaction(async (tx) => {
      const door = await enterDesk(deps, actor, at.slug);
      if (!door.ok) return door;
      await holdDiscussion(tx, door.value.id, at.name);
      const found = await brought(deps, tx, actor, at, id, true);
      if (!found.ok) return found;
      const { marks, place, file } = found.value;
      const compared = compare(marks, file.lines);
      if (compared.stamp !== stamp) return fail({ code: 'marks-moved' as const });
      const taken = compared.sound.filter((s) => !s.line.over || over.includes(s.line.id));
      for (const { part, marked } of taken) {
        const kept = await putMarking(
          tx,
          { ...place, person: marked.student.id },
          {
            mark: { ...marked.mark, ...part },
            marker: actor.id,
            base: marked.written?.revision ?? 0,
            at: deps.now,
          },
        );
        // Somebody kept it in this moment: all of it goes back.
        if (kept === null) throw new MovedMeanwhile();
      }
      await dropBrought(tx, place, id);
      return ok(taken.length);
    })
    .catch((error: unknown) => {
      if (error instanceof MovedMeanwhile) return fail({ code: 'marks-moved' as const });
      throw error;
    });
}

class MovedMeanwhile extends Error {}

/** Leaves the table alone: it is thrown away. */
export async function leaveMarks(deps: Deps, actor: Actor, at: At, id: string): Promise<void> {
  const found = await brought(deps, deps.db, actor, at, id, false);
  if (found.ok) await dropBrought(deps.db, found.value.place, id);
}
