import { readingAt } from '@/contract/addresses';
import { randomUUID } from 'node:crypto';
import { LONGEST_NOTE, MOST_NOTES } from '@/core/notes/note';
import { readingText } from '@/core/notes/reading-text';
import { annotationsOf, type AnnotationProblem } from '@/core/notes/web-annotation';
import { fail, ok, type Result } from '@/core/result';
import { insertNotes, noteIds, ownOrigins, type NewNote } from '@/db/queries/notes';
import type { NotFound } from '../access/enter';
import { visibleNotes } from '../access/visible-notes';
import type { Actor, Deps } from '../deps';
import type { NotRead } from '@/contract/not-read';
import { readFor } from '../readers/readers';
import { enterReading } from './notes';

/** The notes one may read, as W3C Web Annotations. */
export async function exportNotes(
  deps: Deps,
  actor: Actor,
  slug: string,
  origin: string,
): Promise<Result<object, NotFound>> {
  const door = await enterReading(deps, actor, slug);
  if (!door.ok) return door;
  const notes = await visibleNotes(deps.db, actor, door.value);
  return ok(annotationsOf(notes, origin + readingAt(slug), `Margin notes on “${door.value.title}”`));
}

export type ImportedNotes = {
  added: number;
  /** Notes that an earlier import of the same had brought. */
  known: number;
  problems: AnnotationProblem[];
  /** Notes for which there is no room beside this reading: one person's may be so many. */
  over: number;
  /** Of those added, how many passages are not in this text. */
  lost: number;
};

/**
 * Takes notes from Web Annotation JSON-LD for oneself, whomever they were for where they come from.
 * A passage is looked for in this reading by its words; one that is not here comes in as an orphan. The same file again
 * adds nothing.
 */
export async function importNotes(
  deps: Deps,
  actor: Actor,
  slug: string,
  file: string,
): Promise<Result<ImportedNotes, NotFound | NotRead | { code: 'not-json' }>> {
  const door = await enterReading(deps, actor, slug);
  if (!door.ok) return door;
  const { course, reading, doc } = door.value;
  const text = doc ? readingText(doc).text : '';
  const read = await readFor(deps, actor, 'annotations', { file, text });
  if (!read.ok) return read;
  if (read.value === null) return fail({ code: 'not-json' });
  const { notes, problems } = read.value;
  const ids = new Map(
    notes.flatMap(({ id }) => (id === null ? [] : [[id, randomUUID() as string] as const])),
  );
  const rows = notes.map((n, i): NewNote => {
    const above = n.answers === null ? null : (ids.get(n.answers) ?? null);
    return {
      course,
      reading,
      id: (n.id === null ? null : ids.get(n.id)) ?? randomUUID(),
      author: actor.id,
      parent: above,
      // What others wrote for the class is not said again to it in another's name.
      audience: 'self',
      body: n.body.slice(0, LONGEST_NOTE),
      anchor: above ? null : n.anchor,
      madeAt: deps.now,
      importedFrom: n.id ?? `${i} ${n.body.slice(0, 200)}`,
    };
  });
  const { added, over } = await deps.db.transaction(async (tx) => {
    const origins = await ownOrigins(tx, door.value, actor.id);
    const known = new Set(origins);
    const fresh = rows.filter((r) => !known.has(r.importedFrom));
    const kept = fresh.slice(0, Math.max(0, MOST_NOTES - origins.length));
    const brought = await insertNotes(
      tx,
      kept.filter((r) => r.parent === null),
    );
    // Answers whose note was known from an earlier import have nowhere to stand; they were imported with it.
    const present = await noteIds(tx, door.value);
    const answers = kept.filter((r) => r.parent !== null && present.has(r.parent));
    return {
      added: new Set([...brought, ...(await insertNotes(tx, answers))]),
      over: fresh.length - kept.length,
    };
  });
  return ok({
    added: added.size,
    known: rows.length - added.size - over,
    over,
    problems,
    lost: rows.filter((r, i) => added.has(r.id) && r.anchor && notes[i]?.lost).length,
  });
}
