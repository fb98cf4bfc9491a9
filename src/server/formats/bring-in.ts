import type { BringInFailure, BroughtIn } from '@/contract/files';
import { withPartsFound } from '@/core/document/compose';
import { LIMITS } from '@/core/document/limits';
import { parseDocument } from '@/core/document/document';
import { isBlank } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { enterDiscussion } from '../access/enter';
import { enterCourse } from '../courses/enter';
import type { Actor } from '../deps';
import type { FileDeps } from '../files/receive';
import { keepPictures } from './keep-pictures';
import { openFor } from './opened';
import { MOST_TEXT, type BroughtFile } from './read-file';

/**
 * A text that was written elsewhere, as a draft could be: its pictures become files of the writer's, the questions of the
 * prompt, where it is for one, that stand in it become the draft's part headings. Nothing of the draft changes: the writer looks at it first.
 */
export async function bringIn(
  deps: FileDeps,
  actor: Actor,
  place: { course: string; discussion: string | null },
  file: BroughtFile,
): Promise<Result<BroughtIn, BringInFailure>> {
  const course = await enterCourse(deps, actor, place.course);
  if (!course.ok) return course;
  const door = place.discussion === null ? null : await enterDiscussion(deps, actor, place.discussion);
  if (door && !door.ok) return door;
  const opened = await openFor(deps, actor, file);
  if (!opened.ok) return opened;
  const { left, length } = opened.value;
  if (length > MOST_TEXT) return fail({ code: 'text-too-long', name: file.name });
  const page = await keepPictures(deps, actor, course.value.id, file, opened.value);
  if (!page.ok) return page;
  const { title, doc, unread, outside } = page.value;
  const fits = parseDocument(door ? withPartsFound(door.value.record.brief.parts, doc) : doc);
  if (!fits.ok) return fail({ code: 'text-too-long', name: file.name });
  if (isBlank(fits.value) && !title) return fail({ code: 'file-empty', name: file.name });
  return ok({
    title: title.slice(0, LIMITS.titleLength),
    doc: fits.value,
    left: {
      ...left,
      'unread-pictures': (left['unread-pictures'] ?? 0) + unread,
      outside: (left.outside ?? 0) + outside,
    },
  });
}
