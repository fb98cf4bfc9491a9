import { fail, ok, type Result } from '@/core/result';
import { askedUnderCover } from '@/db/queries/covers';
import { changeQuestion, openThread } from '@/db/queries/questions';
import { tellOpening } from '../notices/tell-asked';
import type { Acting } from './acting';

type Refused = { code: 'not-yours-to-do' } | { code: 'no-such-question' };

/** Staff ask whoever asked them alone whether everybody may read it: it is theirs to say. */
export async function wantOpen(acting: Acting): Promise<Result<null, Refused>> {
  const { deps, actor, question, root, entered } = acting;
  if (!entered.staff) return fail({ code: 'not-yours-to-do' });
  // What a student writes to the staff on their line was never asked of everybody.
  if (root.privateTo === null || question.kind !== 'asks') return fail({ code: 'no-such-question' });
  await deps.db.transaction(async (tx) => {
    await changeQuestion(tx, question.post, { openWanted: { by: actor.id, at: deps.now } });
    await tellOpening(acting, tx);
  });
  return ok(null);
}

/** Whoever asked says whether everybody may read it, answers and all; nobody else does, and only where staff have asked. */
export async function sayOpen(acting: Acting, open: boolean): Promise<Result<null, Refused>> {
  const { deps, actor, question, root } = acting;
  const asker = (await askedUnderCover(deps.db, question.post)) ?? root.author.id;
  if (asker !== actor.id || !question.openWanted) return fail({ code: 'not-yours-to-do' });
  await deps.db.transaction(async (tx) => {
    await changeQuestion(tx, question.post, { openWanted: null });
    if (open) await openThread(tx, question.post);
  });
  return ok(null);
}
