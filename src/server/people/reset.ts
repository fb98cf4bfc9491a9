import { randomUUID } from 'node:crypto';
import { fail, ok, type Result } from '@/core/result';
import { account, setPassword } from '@/db/queries/accounts';
import { postMail } from '@/db/queries/mails';
import { endSessions } from '@/db/queries/sessions';
import { forgetDevices } from '@/db/queries/sign-in';
import type { Deps } from '../deps';
import { mayTry } from '../sessions/tries';
import { hold, type KeyFailure } from './keys';
import { newPassword, type PasswordFailure } from './password';

/**
 * Somebody has forgotten a password. What happens and what is answered is the same whether the address is known here or not: only when
 * the mail is to leave is it looked at whose it is.
 */
export async function askForPassword(deps: Deps, email: string, network: string | null): Promise<void> {
  if (!(await mayTry(deps, 'password', { about: email, network }))) return;
  await deps.db.transaction((tx) =>
    postMail(tx, { id: randomUUID(), kind: 'password', to: email, about: {}, now: deps.now }),
  );
}

/** Whether a link for a new password still opens, and for whom. */
export async function lookAtReset(deps: Deps, key: string): Promise<Result<{ email: string }, KeyFailure>> {
  return deps.db.transaction(async (tx) => {
    const held = await hold(tx, deps.now, key, 'password');
    if (!held.ok) return held;
    const person = held.value.person && (await account(tx, held.value.person));
    return person && !person.ended ? ok({ email: person.email }) : fail({ code: 'key-unknown' as const });
  });
}

/** Gives a person a new password by the link they were sent. Every session of theirs ends, and no browser is known any more. */
export async function resetPassword(
  deps: Deps,
  key: string,
  password: string,
): Promise<Result<null, KeyFailure | PasswordFailure>> {
  return deps.db.transaction(async (tx) => {
    const held = await hold(tx, deps.now, key, 'password');
    if (!held.ok) return held;
    const person = held.value.person && (await account(tx, held.value.person));
    if (!person || person.ended) return fail({ code: 'key-unknown' as const });
    const hash = await newPassword(tx, password, person);
    if (!hash.ok) return hash;
    await setPassword(tx, person.id, hash.value);
    await endSessions(tx, person.id, 'all');
    await forgetDevices(tx, person.id);
    await held.value.spend();
    await postMail(tx, {
      id: randomUUID(),
      kind: 'password-changed',
      to: person.email,
      about: { person: person.id },
      now: deps.now,
    });
    return ok(null);
  });
}
