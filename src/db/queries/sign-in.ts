import type { Instant, PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** Something tries are counted by, and how many of it are too many. */
export type Counted = { key: string; most: number };

const HASH = `sha256(convert_to(?, 'UTF8'))`;

/** An address as the database compares it: no other folding of it is ever made, for any two differ somewhere. */
export async function foldedAddress(db: Db, email: string): Promise<string> {
  const { rows } = await db.raw('select lower(?) as folded', [email]);
  return rows[0].folded as string;
}

/**
 * Takes the right to try once, before anything is tried: false where there were too many since a moment by any of the keys. Many at
 * once wait for each other here, so that none is counted too late.
 */
export async function takeTry(
  db: Db,
  id: string,
  counted: readonly Counted[],
  since: Instant,
  now: Instant,
): Promise<boolean> {
  return db.transaction(async (tx) => {
    // In one order, so that no two wait for each other crosswise.
    for (const { key } of [...counted].sort((a, b) => (a.key < b.key ? -1 : 1)))
      await tx.raw('select pg_advisory_xact_lock(hashtextextended(?, 2))', [key]);
    for (const { key, most } of counted) {
      const row = await tx('sign_in_tries')
        .whereRaw(`key = ${HASH}`, [key])
        .where('tried_at', '>', timestamptz(since))
        .count('* as n')
        .first();
      if (Number(row?.n ?? 0) >= most) return false;
    }
    await tx('sign_in_tries').where('tried_at', '<=', timestamptz(since)).delete();
    await tx('sign_in_tries').insert(
      counted.map(({ key }) => ({ try_id: id, key: tx.raw(HASH, [key]), tried_at: timestamptz(now) })),
    );
    return true;
  });
}

/** A try that was right is none that counts. */
export const forgetTry = (db: Db, id: string) => db('sign_in_tries').where({ try_id: id }).delete();

export const isKnownDevice = async (db: Db, person: PersonId, tokenHash: Buffer): Promise<boolean> =>
  (await db('known_devices').where({ person_id: person, token_hash: tokenHash }).first('person_id')) !==
  undefined;

export async function knowDevice(db: Db, person: PersonId, tokenHash: Buffer, now: Instant) {
  await db('known_devices')
    .insert({ person_id: person, token_hash: tokenHash, known_since: timestamptz(now) })
    .onConflict(['person_id', 'token_hash'])
    .ignore();
}

export const forgetDevices = (db: Db, person: PersonId) =>
  db('known_devices').where({ person_id: person }).delete();
