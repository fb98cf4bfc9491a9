import type { z } from 'zod';
import type { MaterialFailure, MaterialKind, materialSchema } from '@/contract/readings';
import type { CourseId } from '@/core/ids';
import { canonicalJson } from '@/core/posts/canonical';
import { parseDocument, type DocumentFailure } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { isBlank, plainText } from '@/core/document/flatten';
import { withKnownNames } from '@/core/document/names';
import { fail, ok, type Result } from '@/core/result';
import { countWords } from '@/core/text/words';
import type { Db } from '@/db/connection';
import { beginningOf, replaceBeginning } from '@/db/queries/beginnings';
import { replaceReadingText } from '@/db/queries/courses';
import { lockedPrompt, lockedReading, replacePrompt } from '@/db/queries/material';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { keepAndTell } from '../notices/happened';
import { sanitiseEmbeds } from '../embeds/resolve';
import { enterReading } from '../notes/notes';
import { enterDesk } from '../desk/enter';
import { noteDifferences } from '../desk/differences';
import { sha256 } from '../posts/fingerprint';
import { sanitiseFiles } from '../posts/sanitise';

/**
 * A text of a course that its students read, by its name in addresses: a reading, a discussion's prompt, or what the course (by its own
 * name) says to whoever begins it.
 */
export type Which = { of: MaterialKind; slug: string };

type Entered = {
  course: CourseId;
  doc: Doc | null;
  /** The text as it stands now, held until the transaction ends. */
  held: (tx: Db) => Promise<Doc | null>;
  replace: (tx: Db, doc: Doc) => Promise<unknown>;
  courseSlug: string;
  zone: string;
  title: string;
};

/** The door for whoever keeps a course: its staff, or a student whose own course it is. Others find nothing. */
async function enter(deps: Deps, actor: Actor, which: Which): Promise<Result<Entered, NotFound>> {
  if (which.of === 'prompt') {
    const door = await enterDiscussion(deps, actor, which.slug);
    if (!door.ok) return door;
    const { record, staff } = door.value;
    if (!staff && !record.course.outside) return fail({ code: 'not-found' });
    const { id, brief, course } = record;
    return ok({
      course: course.id,
      doc: record.prompt,
      held: (tx) => lockedPrompt(tx, id),
      replace: async (tx, doc) => {
        if (!course.outside) await keepAndTell(tx, { course: course.id, discussion: id }, actor.id, deps.now);
        await replacePrompt(tx, { id, brief, outside: course.outside }, doc);
        if (!course.outside) await noteDifferences(deps, tx, actor, course.id, which.slug);
      },
      courseSlug: course.slug,
      zone: record.timetable.zone,
      title: record.title,
    });
  }
  if (which.of === 'first page') {
    const door = await enterDesk(deps, actor, which.slug);
    if (!door.ok) return door;
    const course = door.value;
    return ok({
      course: course.id,
      doc: await beginningOf(deps.db, course.id),
      held: (tx) => beginningOf(tx, course.id, true),
      replace: (tx, doc) => replaceBeginning(tx, course.id, doc),
      courseSlug: course.slug,
      zone: course.zone,
      title: course.title,
    });
  }
  const door = await enterReading(deps, actor, which.slug);
  if (!door.ok) return door;
  const reading = door.value;
  if (!reading.staff && !reading.outside) return fail({ code: 'not-found' });
  return ok({
    course: reading.course,
    doc: reading.doc,
    held: (tx) => lockedReading(tx, reading),
    replace: (tx, doc) => {
      const plain = plainText(doc);
      return replaceReadingText(tx, reading, { doc, plain, words: Math.max(1, countWords(plain)) });
    },
    courseSlug: reading.courseSlug,
    zone: reading.zone,
    title: reading.title,
  });
}

/** Which text it is that stands there: another one has another stamp. */
const stampOf = (doc: Doc | null) => sha256(canonicalJson(doc));

const EMPTY: Doc = { type: 'doc', content: [{ type: 'paragraph' }] };

export type MaterialPage = { course: string; zone: string; title: string; doc: Doc; stamp: string };

/** A reading's or a prompt's text on the desk. */
export async function materialPage(
  deps: Deps,
  actor: Actor,
  which: Which,
): Promise<Result<MaterialPage, NotFound>> {
  const door = await enter(deps, actor, which);
  if (!door.ok) return door;
  const { courseSlug, zone, title, doc } = door.value;
  return ok({ course: courseSlug, zone, title, doc: doc ?? EMPTY, stamp: stampOf(doc) });
}

/**
 * A text as it may stand in a course: it names nobody; it carries the writer's own files of this course and those that stood there
 * before, whoever put them there.
 */
export async function materialText(
  tx: Db,
  actor: Actor,
  course: CourseId,
  sent: unknown,
  before: Doc | null,
): Promise<Result<Doc, DocumentFailure | { code: 'nothing-written' }>> {
  const read = parseDocument(sent);
  if (!read.ok) return read;
  const nameless = withKnownNames(read.value, { person: () => null, post: () => false });
  const doc = await sanitiseEmbeds({ db: tx }, await sanitiseFiles(tx, course, actor.id, nameless, before));
  return isBlank(doc) ? fail({ code: 'nothing-written' }) : ok(doc);
}

/**
 * Puts a text that was changed on the desk in a reading's or a prompt's place. What is counted does not change with it.
 */
export async function changeMaterial(
  deps: Deps,
  actor: Actor,
  which: Which,
  input: z.infer<typeof materialSchema>,
): Promise<Result<null, MaterialFailure>> {
  return deps.db.transaction(async (tx): Promise<Result<null, MaterialFailure>> => {
    const door = await enter({ ...deps, db: tx }, actor, which);
    if (!door.ok) return door;
    const { course, held, replace } = door.value;
    const now = await held(tx);
    const stamp = stampOf(now);
    if (stamp !== input.stamp) return fail({ code: 'changed-meanwhile', doc: now ?? EMPTY, stamp });
    const doc = await materialText(tx, actor, course, input.doc, now);
    if (!doc.ok) return doc;
    await replace(tx, doc.value);
    return ok(null);
  });
}
