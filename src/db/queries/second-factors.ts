import type { Instant, PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type SecondFactorRecord = { sealedSecret: Buffer; confirmed: boolean };

export async function secondFactorOf(db: Db, person: PersonId): Promise<SecondFactorRecord | null> {
  const row = await db('second_factors').where({ person_id: person }).first('sealed_secret', 'confirmed_at');
  return row ? { sealedSecret: row.sealed_secret, confirmed: row.confirmed_at !== null } : null;
}

/** Whether a second factor is asked of somebody. */
export const hasSecondFactor = async (db: Db, person: PersonId): Promise<boolean> =>
  (await db('second_factors')
    .where({ person_id: person })
    .whereNotNull('confirmed_at')
    .first('person_id')) !== undefined;

/** A secret that is not asked for until it was shown to work; none takes the place of one that is asked for. */
export async function proposeSecondFactor(db: Db, person: PersonId, sealedSecret: Buffer, now: Instant) {
  await db.raw(
    `insert into second_factors (person_id, sealed_secret, made_at) values (?, ?, ?)
     on conflict (person_id) do update set sealed_secret = excluded.sealed_secret, made_at = excluded.made_at, last_step = 0
     where second_factors.confirmed_at is null`,
    [person, sealedSecret, timestamptz(now)],
  );
}

export const confirmSecondFactor = (db: Db, person: PersonId, now: Instant) =>
  db('second_factors')
    .where({ person_id: person })
    .update({ confirmed_at: timestamptz(now) });

/** Takes a code's step, and is false where this one or a later was taken before. */
export async function takeStep(db: Db, person: PersonId, step: number): Promise<boolean> {
  const taken = await db('second_factors')
    .where({ person_id: person })
    .where('last_step', '<', step)
    .update({ last_step: step });
  return taken > 0;
}

/** Takes a second factor away with its recovery codes; says whether there was one. */
export async function dropSecondFactor(db: Db, person: PersonId): Promise<boolean> {
  await db('recovery_codes').where({ person_id: person }).delete();
  return (await db('second_factors').where({ person_id: person }).delete()) > 0;
}

export async function replaceRecoveryCodes(db: Db, person: PersonId, hashes: readonly Buffer[]) {
  await db('recovery_codes').where({ person_id: person }).delete();
  await db('recovery_codes').insert(hashes.map((hash) => ({ person_id: person, code_hash: hash })));
}

export async function takeRecoveryCode(
  db: Db,
  person: PersonId,
  hash: Buffer,
  now: Instant,
): Promise<boolean> {
  const taken = await db('recovery_codes')
    .where({ person_id: person, code_hash: hash })
    .whereNull('used_at')
    .update({ used_at: timestamptz(now) });
  return taken > 0;
}

export async function recoveryCodesLeft(db: Db, person: PersonId): Promise<number> {
  const row = await db('recovery_codes')
    .where({ person_id: person })
    .whereNull('used_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}
