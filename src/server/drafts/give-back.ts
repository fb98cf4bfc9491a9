import { randomUUID } from 'node:crypto';
import type { CourseId, Instant } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { plainText } from '@/core/document/flatten';
import { countWords } from '@/core/text/words';
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
  if (await draftFor(tx, key, true)) {
    await keepVersion(tx, key, {
      id: randomUUID(),
      title,
      doc,
      keptAt,
      words: countWords(plainText(doc)),
      reason: 'withdrawn',
    });
    return;
  }
  const readings = await quotable(tx, entered.record);
  const { brief } = entered.record;
  const { checks } = await figuresOf(deps, actor, {
    brief,
    kind: key.kind,
    title,
    doc,
    answered: null,
    readings,
  });
  const ids = { id: randomUUID(), submission: randomUUID(), answeredN: null };
  await insertDraft(tx, key, ids, { title, doc, blank: false, checks, keptAt });
}
