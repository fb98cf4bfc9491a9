import { storable } from '@/core/document/document';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import type { DiscussionRecord } from '@/db/queries/discussions';
import { putGivenBack } from '@/db/queries/given-back';
import { releasedTo, type ReleasedRecord } from '@/db/queries/marks';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { tellStaff } from '../notices/happened';

export const LONGEST_SAID = 600;

/** Whether a mark asks for its part to be done again. */
export const asksAgain = (released: ReleasedRecord | undefined): boolean =>
  released?.scheme?.by === 'verdict' && released.mark.verdict === 'again';

/** Whether somebody may change what they shared though the discussion is over: their mark says to do it again. */
export async function mayDoAgain(
  db: Db,
  actor: Actor,
  record: Pick<DiscussionRecord, 'id'>,
): Promise<boolean> {
  const [released] = await ask(releasedTo(db, actor.id, record.id));
  return asksAgain(released);
}

/** Gives a part back to whoever marked it, once something in it was changed since the mark. */
export async function giveBackPart(
  deps: Deps,
  actor: Actor,
  slug: string,
  said: string,
): Promise<Result<null, NotFound | { code: 'not-again' } | { code: 'nothing-changed' }>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record, own } = door.value;
  const [released] = await ask(releasedTo(deps.db, actor.id, record.id));
  if (!released || !asksAgain(released)) return fail({ code: 'not-again' });
  if (!own.some((p) => p.versions.some((v) => v.at > released.releasedAt)))
    return fail({ code: 'nothing-changed' });
  const place = { course: record.course.id, discussion: record.id };
  await deps.db.transaction(async (tx) => {
    await putGivenBack(
      tx,
      { ...place, person: actor.id },
      { n: released.n, at: deps.now, said: storable(said).trim().slice(0, LONGEST_SAID) },
    );
    await tellStaff(tx, deps.now, place, { kind: 'request', by: actor.id, asks: 'again' });
  });
  return ok(null);
}
