import type { CourseId, PersonId } from '@/core/ids';
import { filesIn, withHonestFiles } from '@/core/posts/attachments';
import type { Doc } from '@/core/posts/document';
import type { Db } from '@/db/connection';
import { ownFiles } from '@/db/queries/files';
import type { Entered } from '../access/enter';
import { honestEmbeds } from '../embeds/resolve';
import type { Actor } from '../deps';
import { honestNames } from './names';

/** A document that carries only its writer's own files of this course, with what the server knows of each. */
export async function honestFiles(db: Db, course: CourseId, owner: PersonId, doc: Doc): Promise<Doc> {
  const wanted = filesIn(doc);
  if (wanted.length === 0) return doc;
  const known = await ownFiles(db, course, owner, wanted);
  return withHonestFiles(doc, new Map(known.map((f) => [f.id, f])));
}

/** A text as it may be kept and shared: it names whom it may name, carries its writer's own files
 * of this course, and plays only what a site of the college's list was asked about. */
export async function honest(db: Db, actor: Actor, entered: Entered, doc: Doc): Promise<Doc> {
  const named = await honestNames(db, actor, entered, doc);
  return honestEmbeds({ db }, await honestFiles(db, entered.record.course.id, actor.id, named));
}
