import { z } from 'zod';
import { postId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import { deleteMarks, insertMarks } from '@/db/queries/reading';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

export const readingInputSchema = z.union([
  z.strictObject({ posts: z.array(z.number().int().positive()).min(1).max(200), read: z.boolean() }),
  z.strictObject({ posts: z.literal('all'), read: z.literal(true) }),
]);
export type ReadingInput = z.infer<typeof readingInputSchema>;

/**
 * Marks posts of a discussion as read, or sets them back to unread. What one may not see cannot be marked: behind the
 * seal nothing happens. Answers with what is unread afterwards.
 */
export async function markRead(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: ReadingInput,
): Promise<Result<{ unread: number }, NotFound>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterDiscussion(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record, staff, sealed, unread } = door.value;
    if (sealed) return ok({ unread });
    const ids = input.posts === 'all' ? ('all' as const) : input.posts.map(postId);
    if (input.read) {
      await insertMarks(tx, record.course.id, record.id, { id: actor.id, staff }, ids, deps.now);
    } else if (ids !== 'all') {
      await deleteMarks(tx, record.course.id, record.id, actor.id, ids);
    }
    const after = await enterDiscussion(deps, actor, slug, tx);
    return after.ok ? ok({ unread: after.value.unread }) : after;
  });
}
