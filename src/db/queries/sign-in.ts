import type { Instant, PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** An address as the database compares it: no other folding of it is ever made, for any two differ somewhere. */
export async function foldedAddress(db: Db, email: string): Promise<string> {
  const { rows } = await db.raw('select lower(?) as folded', [email]);
  return rows[0].folded as string;
}

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

/** Takes away tries that are not counted any more, by the clock on the wall. */
export const sweepTries = (db: Db) =>
  db('tries').whereRaw('expire < extract(epoch from now()) * 1000').delete();
