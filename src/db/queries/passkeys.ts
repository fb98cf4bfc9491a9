import { instant, personId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type PasskeyRecord = {
  id: string;
  person: PersonId;
  publicKey: Buffer;
  counter: number;
  transports: string[];
  name: string;
  made: Instant;
  used: Instant | null;
};

// What a query selects only the query knows.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
const record = (r: any): PasskeyRecord => ({
  id: r.id,
  person: personId(r.person_id),
  publicKey: r.public_key,
  counter: Number(r.counter),
  transports: r.transports,
  name: r.name,
  made: instant(r.made_at),
  used: r.used_at === null ? null : instant(r.used_at),
});

export async function passkeysOf(db: Db, person: PersonId): Promise<PasskeyRecord[]> {
  return (await db('passkeys').where({ person_id: person }).orderBy('made_at')).map(record);
}

export async function passkeyById(db: Db, id: string): Promise<PasskeyRecord | null> {
  const row = await db('passkeys').where({ id }).first();
  return row ? record(row) : null;
}

/** Keeps a new passkey; false where somebody has this very one. */
export async function insertPasskey(db: Db, key: Omit<PasskeyRecord, 'used'>): Promise<boolean> {
  const made = await db('passkeys')
    .insert({
      id: key.id,
      person_id: key.person,
      public_key: key.publicKey,
      counter: key.counter,
      transports: key.transports,
      name: key.name,
      made_at: timestamptz(key.made),
    })
    .onConflict('id')
    .ignore()
    .returning('id');
  return made.length > 0;
}

export const notePasskeyUsed = (db: Db, id: string, counter: number, now: Instant) =>
  db('passkeys')
    .where({ id })
    .update({ counter, used_at: timestamptz(now) });

export const deletePasskey = async (db: Db, person: PersonId, id: string): Promise<boolean> =>
  (await db('passkeys').where({ person_id: person, id }).delete()) > 0;
