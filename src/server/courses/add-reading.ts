import type { FileTrouble } from '@/contract/files';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { courseSlug, type CourseId } from '@/core/ids';
import { parseDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { isBlank, plainText } from '@/core/document/flatten';
import { countWords } from '@/core/text/words';
import { fail, ok, type Result } from '@/core/result';
import { lastPosition, replaceReadingText } from '@/db/queries/courses';
import { insertReadings } from '@/db/queries/setup';
import type { NotFound } from '../access/enter';
import type { Actor } from '../deps';
import { withPlayers, type EmbedDeps } from '../embeds/resolve';
import { keepPictures } from '../formats/keep-pictures';
import { openFor } from '../formats/opened';
import { MOST_TEXT, withTitle, type BroughtFile } from '../formats/read-file';

import type { FileDeps } from '../files/receive';
import { sanitiseFiles } from '../posts/sanitise';
import { enterReading } from '../notes/notes';
import type { NotRead } from '@/contract/not-read';
import { readFor } from '../readers/readers';
import { enterCourse } from './enter';

export const newReadingSchema = z.object({
  week: z.coerce.number().int().min(1).max(60),
  title: z.string().trim().min(1).max(200),
  author: z.string().trim().max(200).default(''),
  text: z.string().max(2_000_000).default(''),
});

/** What a reading may bring: pictures of its file, and players of listed sites. */
type ReadingDeps = FileDeps & EmbedDeps;

export type ReadingFailure =
  NotFound | NotRead | FileTrouble | { code: 'nothing-to-read' } | { code: 'reading-too-long' };

/** The text of a reading out of a file or what was pasted. */
async function docOf(
  deps: ReadingDeps,
  actor: Actor,
  course: CourseId,
  text: string,
  file: BroughtFile | null,
): Promise<Result<Doc, ReadingFailure>> {
  if (file) {
    const opened = await openFor(deps, actor, file);
    if (!opened.ok) return opened;
    if (opened.value.length > MOST_TEXT) return fail({ code: 'reading-too-long' });
    const page = await keepPictures(deps, actor, course, file, opened.value);
    if (!page.ok) return page;
    const read = withTitle(page.value);
    if (isBlank(read)) return fail({ code: 'file-empty', name: file.name });
    const carried = await sanitiseFiles(deps.db, course, actor.id, read);
    const fits = parseDocument(await withPlayers(deps, carried));
    return fits.ok ? fits : fail({ code: 'reading-too-long' });
  }
  const read = await readFor(deps, actor, 'pasted', { text, html: '' });
  if (!read.ok) return read;
  const doc = read.value;
  if (!plainText(doc)) return fail({ code: 'nothing-to-read' });
  const fits = parseDocument(await withPlayers(deps, doc));
  return fits.ok ? fits : fail({ code: 'reading-too-long' });
}

/** Puts a reading into a week: for staff, and for a student in a course of the own. Anybody else finds no such course. */
export async function addReading(
  deps: ReadingDeps,
  actor: Actor,
  course: string,
  input: z.infer<typeof newReadingSchema>,
  file: BroughtFile | null,
): Promise<Result<{ slug: string }, ReadingFailure>> {
  const door = await enterCourse(deps, actor, course);
  if (!door.ok) return door;
  const { id, code, staff, outside } = door.value;
  if (!staff && !outside) return fail({ code: 'not-found' });
  const doc = await docOf(deps, actor, id, input.text, file);
  if (!doc.ok) return doc;
  const name = courseSlug(input.title)
    .replace(/[^a-z0-9-]/gu, '')
    .replace(/-+/gu, '-')
    .slice(0, 60)
    .replace(/^-|-$/gu, '');
  const slug = `${name || 'reading'}-${randomUUID().slice(0, 8)}`;
  await deps.db.transaction(async (tx) =>
    insertReadings(tx, [
      {
        course: id,
        id: randomUUID(),
        slug,
        week: input.week,
        position: (await lastPosition(tx, id, input.week)) + 1,
        title: input.title,
        author: input.author || code,
        words: Math.max(1, countWords(plainText(doc.value))),
        doc: doc.value,
        place: '',
      },
    ]),
  );
  return ok({ slug });
}

/** Puts a newer text in a reading's place; its margin notes look for their passages in it. For the same people. */
export async function replaceText(
  deps: ReadingDeps,
  actor: Actor,
  slug: string,
  text: string,
  file: BroughtFile | null,
): Promise<Result<null, ReadingFailure>> {
  const door = await enterReading(deps, actor, slug);
  if (!door.ok) return door;
  if (!door.value.staff && !door.value.outside) return fail({ code: 'not-found' });
  const doc = await docOf(deps, actor, door.value.course, text, file);
  if (!doc.ok) return doc;
  const plain = plainText(doc.value);
  await replaceReadingText(deps.db, door.value, {
    doc: doc.value,
    plain,
    words: Math.max(1, countWords(plain)),
  });
  return ok(null);
}
