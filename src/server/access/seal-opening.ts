import { noteSealOpening } from '@/db/queries/seal';
import { lockSharing } from '@/db/queries/sharing';
import type { Actor, Deps } from '../deps';
import { enterDiscussion, type Entered } from './enter';

/** Whether what others wrote here is given to a student behind a seal that is open: from the first time on they cannot withdraw. */
const matters = ({ record, staff, sealed }: Entered) =>
  record.brief.sealed && !staff && !sealed && !record.course.outside && !record.openedOthers;

/**
 * Said by every way on which classmates' words leave the server, before they do: a student who has been given any cannot take
 * the own response back (rule 4). The first time it is looked again, under the lock of sharing and withdrawing, whether the seal
 * is open: the answer is the discussion as it is then, so that nobody withdraws and reads at once.
 */
export async function openingSeal(deps: Deps, actor: Actor, entered: Entered): Promise<Entered> {
  if (!matters(entered)) return entered;
  return deps.db.transaction(async (tx) => {
    const { id: discussion, course, slug } = entered.record;
    await lockSharing(tx, actor.id, discussion);
    const again = await enterDiscussion(deps, actor, slug, tx);
    if (!again.ok) return { ...entered, sealed: true };
    if (!again.value.sealed)
      await noteSealOpening(tx, { course: course.id, discussion, person: actor.id }, deps.now);
    return again.value;
  });
}
