import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { LIMITS } from '@/core/document/limits';
import { parseDocument, storable, type DocumentFailure } from '@/core/document/document';
import { isBlank } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { postId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { draftFor } from '@/db/queries/drafts';
import { insertHandedOver, openHandedOf } from '@/db/queries/handed-over';
import { lockSharing } from '@/db/queries/sharing';
import { enterDiscussion, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { tellStaff } from '../notices/happened';
import { sanitised } from '../posts/sanitise';

const oneLine = (least: number, most: number) =>
  z
    .string()
    .max(4 * most)
    .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
    .pipe(z.string().min(least).max(most));

export const handOverSchema = z.object({
  kind: z.enum(['response', 'reply']),
  parent: z.coerce.number().int().positive().nullable(),
  title: oneLine(0, LIMITS.titleLength),
  /** The text as it stands in the editor; without one, the draft as it was kept last. */
  doc: z.unknown(),
  said: oneLine(1, 600),
});
export type HandOver = z.output<typeof handOverSchema>;

/** So many wait for an answer at once, of one person in one discussion. */
const MOST_OPEN = 5;

export type HandOverFailure =
  | NotFound
  | DocumentFailure
  | { code: 'nothing-written' }
  | { code: 'not-asked-here' }
  | { code: 'too-many-handed' };

/**
 * Hands a draft to the staff, with a sentence about what happened. It stays the student's draft as well; what becomes of it is theirs to
 * say. Neither a deadline nor a seal stands against it.
 */
export async function handOver(
  deps: Deps,
  actor: Actor,
  slug: string,
  given: HandOver,
): Promise<Result<null, HandOverFailure>> {
  return deps.db.transaction(async (tx): Promise<Result<null, HandOverFailure>> => {
    const door = await enterDiscussion(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record, ledger } = door.value;
    if (!ledger || record.course.outside) return fail({ code: 'not-asked-here' });
    await lockSharing(tx, actor.id, record.id);
    const place = { course: record.course.id, discussion: record.id };
    if ((await openHandedOf(tx, place, actor.id)) >= MOST_OPEN) return fail({ code: 'too-many-handed' });
    const { kind, said } = given;
    const parent = kind === 'reply' && given.parent !== null ? postId(given.parent) : null;
    if (kind === 'reply') {
      const [answered] = parent === null ? [] : await visiblePosts(tx, actor, door.value, [parent]);
      if (!answered) return fail({ code: 'not-found' });
    }
    const kept = await draftFor(tx, { author: actor.id, discussion: record.id, kind, parent });
    let doc: Doc;
    let { title } = given;
    if (given.doc === undefined) {
      if (!kept) return fail({ code: 'nothing-written' });
      doc = kept.doc;
      title = kept.title;
    } else {
      const parsed = parseDocument(given.doc);
      if (!parsed.ok) return parsed;
      doc = await sanitised(tx, actor, door.value, parsed.value);
    }
    if (isBlank(doc)) return fail({ code: 'nothing-written' });
    await insertHandedOver(tx, place, {
      id: randomUUID(),
      person: actor.id,
      kind,
      parent,
      title,
      doc,
      said,
      now: deps.now,
    });
    await tellStaff(tx, deps.now, place, { kind: 'request', by: actor.id, asks: 'draft' });
    return ok(null);
  });
}
