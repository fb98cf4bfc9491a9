import { disagreements } from '@/core/prompts/disagreements';
import type { CourseId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { setTextDiffers } from '@/db/queries/desk';
import { discussionBySlug } from '@/db/queries/discussions';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';

/**
 * Notes in how many things a prompt's text says other than its brief, after either was changed, so that what needs its staff says so
 * without reading every prompt. A text that cannot be read in the time there is disagrees with nothing.
 */
export async function noteDifferences(deps: Deps, tx: Db, actor: Actor, course: CourseId, slug: string) {
  const record = await discussionBySlug(tx, actor.id, slug);
  if (!record) return;
  const read = await readFor(deps, actor, 'prompt', { doc: record.prompt });
  const { late, responseDue, repliesDue } = record.timetable;
  const found = read.ok
    ? disagreements(read.value.facts, { brief: record.classBrief, late, responseDue, repliesDue })
    : [];
  await setTextDiffers(tx, course, record.id, found.length);
}
