import { fail, ok, type Result } from '@/core/result';
import { account } from '@/db/queries/accounts';
import { endHalfWay, heldHalfWay } from '@/db/queries/half-ways';
import type { Deps } from '../deps';
import type { Box } from '../secrets/box';
import { hashOf } from '../secrets/tokens';
import { letIn, takeEntryTry, type Coming, type Entry } from '../sessions/sessions';
import { takeSecond } from './second-factor';

export type SecondStepFailure = { code: 'over' } | { code: 'wrong-code' } | { code: 'too-many-tries' };

/**
 * The second step of signing in: a code of the authenticator, or a recovery code. Only who knew the password comes here, so nobody else
 * can use up somebody's tries; those on a known device have a count of their own.
 */
export async function takeSecondStep(
  deps: Deps & { box: Box; real: number },
  token: string | null,
  shown: string,
  from: Coming,
): Promise<Result<Entry, SecondStepFailure>> {
  if (token === null) return fail({ code: 'over' });
  const hash = hashOf(token);
  const waiting = await heldHalfWay(deps.db, hash, 'second', deps.now);
  if (!waiting?.person) return fail({ code: 'over' });
  const forget = await takeEntryTry(deps, waiting.person, { ...from, about: `second ${waiting.person}` });
  if (!forget) return fail({ code: 'too-many-tries' });
  return deps.db.transaction(async (tx) => {
    const held = await heldHalfWay(tx, hash, 'second', deps.now);
    const self = held?.person ? await account(tx, held.person) : null;
    if (!self || self.ended !== null) return fail({ code: 'over' as const });
    if (!(await takeSecond(deps, tx, self.id, shown))) return fail({ code: 'wrong-code' as const });
    await endHalfWay(tx, hash);
    await forget();
    return ok(await letIn({ db: tx, now: deps.now }, self.id, from));
  });
}
