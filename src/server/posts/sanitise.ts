import type { CourseId, PersonId } from '@/core/ids';
import { filesIn, withKnownFiles } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import type { Db } from '@/db/connection';
import { filesOfCourse } from '@/db/queries/files';
import type { Entered } from '../access/enter';
import { sanitiseEmbeds } from '../embeds/resolve';
import type { Actor } from '../deps';
import { sanitiseNames } from './names';

/**
 * A document that carries only its writer's own files of this course, and those that already stood in the text it is to
 * replace, with what the server knows of each.
 */
export async function sanitiseFiles(
  db: Db,
  course: CourseId,
  owner: PersonId,
  doc: Doc,
  before?: Doc | null,
): Promise<Doc> {
  const wanted = filesIn(doc);
  if (wanted.length === 0) return doc;
  const there = new Set(before ? filesIn(before) : []);
  const known = [
    ...(await filesOfCourse(db, course, wanted, owner)),
    ...(there.size
      ? await filesOfCourse(
          db,
          course,
          wanted.filter((id) => there.has(id)),
        )
      : []),
  ];
  return withKnownFiles(doc, new Map(known.map((f) => [f.id, f])));
}

/** A text as it may be kept and shared: it names whom it may name, carries its writer's own files
 * of this course, and plays only what a site of the college's list was asked about. */
export async function sanitised(db: Db, actor: Actor, entered: Entered, doc: Doc): Promise<Doc> {
  const named = await sanitiseNames(db, actor, entered, doc);
  return sanitiseEmbeds({ db }, await sanitiseFiles(db, entered.record.course.id, actor.id, named));
}
