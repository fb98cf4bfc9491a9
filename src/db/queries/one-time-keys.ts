import { instant, personId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type KeyPurpose = 'first-run' | 'invitation' | 'password' | 'address';

export type NewKey = {
  hash: Buffer;
  purpose: KeyPurpose;
  person?: PersonId;
  invitation?: string;
  /** The address that is to be confirmed by it. */
  address?: string;
  now: Instant;
  expires: Instant;
};

/** Lays down a key. What was given before for the same thing lets nobody in any more. */
export async function insertKey(db: Db, key: NewKey) {
  await db('one_time_keys')
    .where({ purpose: key.purpose })
    .whereNull('used_at')
    .where((q) =>
      key.invitation
        ? q.where({ invitation_id: key.invitation })
        : key.person
          ? q.where({ person_id: key.person })
          : q.whereNull('person_id').whereNull('invitation_id'),
    )
    .delete();
  await db('one_time_keys').insert({
    key_hash: key.hash,
    purpose: key.purpose,
    person_id: key.person ?? null,
    invitation_id: key.invitation ?? null,
    address: key.address ?? null,
    made_at: timestamptz(key.now),
    expires_at: timestamptz(key.expires),
  });
}

export type KeyRecord = {
  person: PersonId | null;
  invitation: string | null;
  address: string | null;
  expires: Instant;
  used: boolean;
};

/** A key of a purpose, whether it may still be used or not; held for the transaction, so that it is used once. */
export async function heldKey(tx: Db, hash: Buffer, purpose: KeyPurpose): Promise<KeyRecord | null> {
  const row = await tx('one_time_keys')
    .where({ key_hash: hash, purpose })
    .forUpdate()
    .first('person_id', 'invitation_id', 'address', 'expires_at', 'used_at');
  return row
    ? {
        person: row.person_id === null ? null : personId(row.person_id),
        invitation: row.invitation_id,
        address: row.address,
        expires: instant(row.expires_at),
        used: row.used_at !== null,
      }
    : null;
}

export const spendKey = (tx: Db, hash: Buffer, now: Instant) =>
  tx('one_time_keys')
    .where({ key_hash: hash })
    .update({ used_at: timestamptz(now) });

/** Keys that let nobody in any more, and have not for a month, go. */
export const sweepKeys = (db: Db, before: Instant) =>
  db('one_time_keys').where('expires_at', '<', timestamptz(before)).delete();
