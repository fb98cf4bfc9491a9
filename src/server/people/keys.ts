import { instant, type PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { heldKey, insertKey, spendKey, type KeyPurpose, type KeyRecord } from '@/db/queries/one-time-keys';
import type { Deps } from '../deps';
import { hashOf, newToken } from '../secrets/tokens';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

/** How long a key is good for. */
const GOOD_FOR: Record<KeyPurpose, number> = {
  'first-run': 60 * MINUTE_MS,
  invitation: 7 * DAY_MS,
  password: 30 * MINUTE_MS,
  address: DAY_MS,
};

/** Makes a key that lets somebody do one thing once. It is told once, and only its hash stays. */
export async function newKey(
  deps: { db: Db; now: Deps['now'] },
  purpose: KeyPurpose,
  whose: { person?: PersonId; invitation?: string; address?: string } = {},
): Promise<string> {
  const key = newToken();
  await insertKey(deps.db, {
    hash: hashOf(key),
    purpose,
    ...whose,
    now: deps.now,
    expires: instant(deps.now + GOOD_FOR[purpose]),
  });
  return key;
}

export type KeyFailure = { code: 'key-unknown' } | { code: 'key-used' } | { code: 'key-over' };

/** Looks at a key and holds it for the transaction: whether it may be used, and what it is for. */
export async function hold(
  tx: Db,
  now: Deps['now'],
  key: string,
  purpose: KeyPurpose,
): Promise<Result<KeyRecord & { spend: () => Promise<unknown> }, KeyFailure>> {
  const hash = hashOf(key.trim());
  const found = await heldKey(tx, hash, purpose);
  if (!found) return fail({ code: 'key-unknown' });
  if (found.used) return fail({ code: 'key-used' });
  if (now >= found.expires) return fail({ code: 'key-over' });
  return ok({ ...found, spend: () => spendKey(tx, hash, now) });
}
