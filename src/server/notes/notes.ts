import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { isStaff, type PersonId } from '@/core/ids';
import { LONGEST_PASSAGE, type Anchor } from '@/core/notes/anchor';
import { AUDIENCES, MOST_NOTES, noteBody, type Note, type PlacedNote } from '@/core/notes/note';
import { readingText } from '@/core/notes/reading-text';
import type { Doc } from '@/core/document/nodes';
import { fail, ok, type Result } from '@/core/result';
import { coursesOf, readingBySlug } from '@/db/queries/courses';
import { changeNote, insertNotes, ownOrigins, removeNote, type NotePlace } from '@/db/queries/notes';
import type { NotFound } from '../access/enter';
import { visibleNotes } from '../access/visible-notes';
import type { Actor, Deps } from '../deps';
import type { NotRead } from '@/contract/not-read';
import { tellNote } from '../notices/happened';
import { readFor } from '../readers/readers';

type EnteredReading = NotePlace & {
  slug: string;
  title: string;
  courseSlug: string;
  zone: string;
  staff: boolean;
  outside: boolean;
  doc: Doc | null;
};

/** The door to a reading's notes: a reading of a course one is not in is not found. */
export async function enterReading(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<EnteredReading, NotFound>> {
  const reading = await readingBySlug(deps.db, actor.id, slug);
  const course = reading && (await coursesOf(deps.db, actor.id)).find((c) => c.id === reading.course);
  if (!reading || !course) return fail({ code: 'not-found' });
  return ok({
    course: course.id,
    reading: reading.id,
    slug,
    title: reading.title,
    courseSlug: course.slug,
    zone: course.zone,
    staff: isStaff(course.role),
    outside: course.outside,
    doc: reading.doc,
  });
}

/**
 * Where each note's passage stands in the reading as it is now. `notLooked` are those whose passages could not be looked for in
 * the time there is: nothing is said of them, neither that they stand nor that they are gone.
 */
export async function placeNotes(
  deps: Deps,
  actor: Actor,
  notes: readonly Note[],
  doc: Doc | null,
): Promise<{ placed: PlacedNote[]; notLooked: ReadonlySet<string> }> {
  const text = doc ? readingText(doc).text : '';
  const anchored = notes.flatMap(({ id, anchor }) => (anchor ? [{ id, anchor }] : []));
  const read = anchored.length
    ? await readFor(deps, actor, 'places', { text, anchors: anchored.map((n) => n.anchor) })
    : null;
  const found = read?.ok ? read.value : [];
  const places = new Map(anchored.slice(0, found.length).map(({ id }, i) => [id, found[i] ?? null]));
  return {
    placed: notes.map((note) => ({ note, found: places.get(note.id) ?? null })),
    notLooked: new Set(anchored.slice(found.length).map((n) => n.id)),
  };
}

export const noteInputSchema = z.object({
  body: noteBody,
  audience: z.enum(AUDIENCES).catch('self'),
  parent: z.uuid().nullable().default(null),
  /** The passage by its place in the reading's text, as selected; or by its words. */
  start: z.number().int().min(0).nullable().default(null),
  end: z.number().int().min(0).nullable().default(null),
  words: z
    .string()
    .max(LONGEST_PASSAGE * 2)
    .default(''),
});
export type NoteInput = z.infer<typeof noteInputSchema>;

export type NoteFailure =
  | NotFound
  | NotRead
  | { code: 'passage-not-found' }
  | { code: 'passage-too-long' }
  | { code: 'note-gone' }
  | { code: 'too-many-notes' };

async function anchorFor(
  deps: Deps,
  actor: Actor,
  input: NoteInput,
  doc: Doc | null,
): Promise<Result<Anchor | null, NoteFailure>> {
  if (!doc || input.parent) return ok(null);
  const { text } = readingText(doc);
  const { start, end, words } = input;
  const at = start !== null && end !== null ? { start, end } : null;
  if (at && at.end - at.start > LONGEST_PASSAGE) return fail({ code: 'passage-too-long' });
  if (!at && !words.trim()) return ok(null);
  const read = await readFor(deps, actor, 'passage', { text, at, words });
  if (!read.ok) return read;
  return read.value || at ? ok(read.value) : fail({ code: 'passage-not-found' });
}

/** Puts a note beside a passage or the whole reading, or under another note, which then says whom it is for. */
export async function addNote(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: NoteInput,
): Promise<Result<{ id: string }, NoteFailure>> {
  const door = await enterReading(deps, actor, slug);
  if (!door.ok) return door;
  const { course, reading, doc } = door.value;
  if ((await ownOrigins(deps.db, door.value, actor.id)).length >= MOST_NOTES)
    return fail({ code: 'too-many-notes' });
  const anchor = await anchorFor(deps, actor, input, doc);
  if (!anchor.ok) return anchor;
  let { audience } = input;
  let parent: string | null = null;
  let answers: PersonId | null = null;
  if (input.parent) {
    const above = (await visibleNotes(deps.db, actor, door.value)).find((n) => n.id === input.parent);
    if (!above) return fail({ code: 'note-gone' });
    // Answers stand under the first note, one below the other.
    parent = above.parent ?? above.id;
    audience = above.audience;
    answers = above.author.id;
  }
  const id = randomUUID();
  await deps.db.transaction(async (tx) => {
    await insertNotes(tx, [
      {
        course,
        reading,
        id,
        author: actor.id,
        parent,
        audience,
        body: input.body,
        anchor: anchor.value,
        madeAt: deps.now,
        importedFrom: null,
      },
    ]);
    const staff = audience === 'staff' && !door.value.outside;
    await tellNote(tx, deps.now, { id, course, reading: slug, by: actor.id, answers, staff });
  });
  return ok({ id });
}

/** Changes or removes one's own note. */
export async function editNote(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
  edit: { do: 'change'; body: string } | { do: 'remove' },
): Promise<Result<null, NoteFailure>> {
  const door = await enterReading(deps, actor, slug);
  if (!door.ok) return door;
  const note = { id, author: actor.id, at: deps.now };
  const done = await deps.db.transaction((tx) =>
    edit.do === 'change'
      ? changeNote(tx, door.value, { ...note, body: edit.body })
      : removeNote(tx, door.value, note),
  );
  return done ? ok(null) : fail({ code: 'note-gone' });
}
