import type { z } from 'zod';
import type { noteToSelfSchema } from '@/contract/writing';
import { fail, ok, type Result } from '@/core/result';
import type { Instant } from '@/core/ids';
import { askTogether } from '@/db/ask';
import { noteToSelf, putNoteToSelf } from '@/db/queries/notes-to-self';
import { lockSharing } from '@/db/queries/sharing';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** Keeps a note to oneself. One that was changed in another window meanwhile is not written over but told. */
export async function keepNoteToSelf(
  deps: Deps,
  actor: Actor,
  slug: string,
  note: z.infer<typeof noteToSelfSchema>,
): Promise<Result<{ keptAt: Instant }, NotFound | { code: 'other-window'; body: string; keptAt: Instant }>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterRoom(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record } = door.value;
    await lockSharing(tx, actor.id, record.id);
    const { before } = await askTogether(tx, { before: noteToSelf(tx, actor.id, record.id) });
    if (before && note.base !== undefined && before.keptAt !== note.base && before.body !== note.body)
      return fail({ code: 'other-window' as const, ...before });
    const place = { course: record.course.id, discussion: record.id, person: actor.id };
    await putNoteToSelf(tx, place, { body: note.body, keptAt: deps.now });
    return ok({ keptAt: deps.now });
  });
}
