import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { personId } from '@/core/ids';
import { mailAddressSchema, personNameSchema } from '@/core/people/naming';
import { fail, ok, type Result } from '@/core/result';
import { anySteward, insertAccount } from '@/db/queries/accounts';
import { nameCollege } from '@/db/queries/college';
import { logSteward } from '@/db/queries/steward-log';
import type { Deps } from '../deps';
import { begin } from '../sessions/sessions';
import { timeZoneSchema } from './time-zone';
import { hold, newKey, type KeyFailure } from './keys';
import { newPassword, type PasswordFailure } from './password';

/** A key for the first steward, where nobody looks after this installation yet; null where somebody does. */
export const firstRunKey = async (deps: Deps, demo: boolean): Promise<string | null> =>
  (await anySteward(deps.db, demo)) ? null : newKey(deps, 'first-run');

/** Whether a key still opens the first run. */
export async function lookAtFirstRun(deps: Deps, key: string): Promise<Result<null, KeyFailure>> {
  return deps.db.transaction(async (tx) => {
    const held = await hold(tx, deps.now, key, 'first-run');
    return held.ok ? ok(null) : held;
  });
}

export const firstRunSchema = z.object({
  college: personNameSchema,
  timeZone: timeZoneSchema,
  name: personNameSchema,
  email: mailAddressSchema,
  password: z.string().max(1_000),
});

/** Makes the first steward, who says whose installation this is. The key is spent with it, and nobody can be the first again. */
export async function beginCollege(
  deps: Deps,
  key: string,
  said: z.output<typeof firstRunSchema>,
  { demo, agent }: { demo: boolean; agent: string },
): Promise<
  Result<{ token: string; maxAgeSeconds: number }, KeyFailure | PasswordFailure | { code: 'address-taken' }>
> {
  return deps.db.transaction(async (tx) => {
    const held = await hold(tx, deps.now, key, 'first-run');
    if (!held.ok) return held;
    if (await anySteward(tx, demo)) return fail({ code: 'key-used' as const });
    const hash = await newPassword(tx, said.password, said);
    if (!hash.ok) return hash;
    const id = personId(randomUUID());
    await nameCollege(
      tx,
      {
        name: said.college,
        timeZone: said.timeZone,
        help: { telephone: '', mail: said.email, hours: '' },
        alone: false,
        signOn: true,
        signOnNew: false,
        personMb: 500,
        courseMb: 20_480,
      },
      deps.now,
    );
    await insertAccount(tx, {
      id,
      name: said.name,
      email: said.email,
      passwordHash: hash.value,
      timeZone: said.timeZone,
      steward: true,
      now: deps.now,
    });
    await logSteward(tx, { steward: id, act: 'first-run', now: deps.now });
    await held.value.spend();
    return ok(await begin({ db: tx, now: deps.now }, id, agent));
  });
}
