import { randomUUID } from 'node:crypto';
import { personId, type PersonId } from '@/core/ids';
import { insertAccount, onlyAccount } from '@/db/queries/accounts';
import type { Deps } from '../deps';
import { letIn, type Coming, type Entry } from '../sessions/sessions';

/** No mail ever goes there: the name is kept for examples and tests (RFC 2606). */
const ADDRESS = 'me@pulpit.invalid';

/** The one person of an installation for one, made where there is nobody yet. */
export async function ownPerson(deps: Deps, as: { name: string; timeZone: string }): Promise<PersonId> {
  return deps.db.transaction(async (tx) => {
    await tx.raw(`select pg_advisory_xact_lock(hashtext('the one person'))`);
    const known = await onlyAccount(tx);
    if (known) return known;
    const id = personId(randomUUID());
    await insertAccount(tx, {
      id,
      ...as,
      email: ADDRESS,
      passwordHash: null,
      steward: false,
      now: deps.now,
    });
    return id;
  });
}

/** Lets a browser of this machine in as the one person there is. Null where there is nobody, or more than one. */
export async function letOwnIn(deps: Deps, from: Coming): Promise<Entry | null> {
  const person = await onlyAccount(deps.db);
  return person && letIn(deps, person, from);
}
