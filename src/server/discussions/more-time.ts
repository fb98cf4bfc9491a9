import { z } from 'zod';
import { storable } from '@/core/document/document';
import { fail, ok, type Result } from '@/core/result';
import { putTimeRequest } from '@/db/queries/time-requests';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { tellStaff } from '../notices/happened';

export const reasonSchema = z
  .string()
  .max(2_000)
  .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().min(1).max(600));

/** Asks the staff of a course for more time in a discussion. Only they read why; the deadlines stay until they answer. */
export async function askForTime(
  deps: Deps,
  actor: Actor,
  slug: string,
  reason: z.output<typeof reasonSchema>,
): Promise<Result<null, NotFound | { code: 'not-asked-here' }>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record, ledger } = door.value;
  // Whoever owes nothing here, and whoever brought the prompt in themselves, has nobody to ask.
  if (!ledger || record.course.outside) return fail({ code: 'not-asked-here' });
  const place = { course: record.course.id, discussion: record.id };
  await deps.db.transaction(async (tx) => {
    await putTimeRequest(tx, place, actor.id, reason, deps.now);
    await tellStaff(tx, deps.now, place, { kind: 'request', by: actor.id, asks: 'time' });
  });
  return ok(null);
}
