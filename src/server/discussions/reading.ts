import type { ReadingInput } from '@/contract/conversation';
import { instant, postId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import { deleteReads, deleteReadsOf, insertReads } from '@/db/queries/reading';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/**
 * Marks posts of a discussion as read, or sets them back to unread. What one may not see cannot be marked: behind the
 * seal nothing happens. Answers with what is unread afterwards, and
 * with the moment by which it can be undone.
 */
export async function markRead(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: ReadingInput,
): Promise<Result<{ unread: number; at: number | null }, NotFound>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterRoom(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record, staff, sealed, unread } = door.value;
    if (sealed) return ok({ unread, at: null });
    if ('at' in input) {
      await deleteReadsOf(tx, record.course.id, record.id, actor.id, instant(input.at));
      const again = await enterRoom(deps, actor, slug, tx);
      return again.ok ? ok({ unread: again.value.unread, at: null }) : again;
    }
    const ids = input.posts === 'all' ? ('all' as const) : input.posts.map(postId);
    if (input.read) {
      await insertReads(tx, record.course.id, record.id, { id: actor.id, staff }, ids, deps.now);
    } else if (ids !== 'all') {
      await deleteReads(tx, record.course.id, record.id, actor.id, ids);
    }
    const after = await enterRoom(deps, actor, slug, tx);
    return after.ok ? ok({ unread: after.value.unread, at: deps.now }) : after;
  });
}
