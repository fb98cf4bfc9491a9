import { randomUUID } from 'node:crypto';
import type { CourseId, Instant } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { keepVersion } from '@/db/queries/draft-versions';
import { draftFor, insertDraft, type DraftKey } from '@/db/queries/drafts';
import type { Entered } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { figuresOf, quotable } from '../posts/check-text';

/**
 * Gives the text of a post that was taken back to its author as a draft. Where another text was begun in the same place
 * since, it stands among the earlier versions, and neither is lost.
 */
export async function giveBack(
  deps: Deps,
  actor: Actor,
  entered: Entered,
  key: DraftKey & { course: CourseId },
  text: { title: string; doc: Doc; keptAt: Instant },
) {
  const { db: tx } = deps;
  const { title, doc, keptAt } = text;
  const { checks, words } = await figuresOf(deps, actor, {
    brief: entered.record.brief,
    kind: key.kind,
    title,
    doc,
    answered: null,
    readings: await quotable(tx, entered.record),
  });
  if (await draftFor(tx, key, true)) {
    await keepVersion(tx, key, { id: randomUUID(), title, doc, keptAt, words, reason: 'withdrawn' });
    return;
  }
  const ids = { id: randomUUID(), submission: randomUUID(), answeredN: null };
  await insertDraft(tx, key, ids, { title, doc, words, blank: false, checks, keptAt, by: null });
}
