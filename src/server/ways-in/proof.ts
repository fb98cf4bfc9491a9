import type { Instant } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { account, passwordHashOf, type AccountRecord } from '@/db/queries/accounts';
import type { Actor, Deps } from '../deps';
import { isPassword } from '../sessions/sessions';
import { mayTry } from '../sessions/tries';

/** What somebody who is signed in shows once more, before anything is done that could lock an account's owner out. */
export type Proof = { password: string; network: string | null; since: Instant };
export type Denied =
  { code: 'wrong-password' } | { code: 'too-many-tries' } | { code: 'demo' } | { code: 'sign-in-again' };

/** Who has no password has signed in so lately. */
const LATELY_MS = 10 * 60_000;

/** The own account, where the password is right, or where there is none and one has signed in just now. */
export async function proven(
  deps: Deps,
  actor: Actor,
  { password, network, since }: Proof,
): Promise<Result<AccountRecord, Denied>> {
  const self = await account(deps.db, actor.id);
  // Everybody may enter as one of the demo's people: nobody may take them over.
  if (!self || self.demo) return fail({ code: 'demo' });
  if (!self.hasPassword) return deps.now - since <= LATELY_MS ? ok(self) : fail({ code: 'sign-in-again' });
  if (!(await mayTry(deps, 'own-password', { about: actor.id, network })))
    return fail({ code: 'too-many-tries' });
  const right = await isPassword(await passwordHashOf(deps.db, actor.id), password, network ?? '');
  if (right === null) return fail({ code: 'too-many-tries' });
  return right ? ok(self) : fail({ code: 'wrong-password' });
}
