import { personId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** What somebody who is half way in still has to do: show a second factor, a passkey, a new one, or come back from the college's sign-on. */
export type Step = 'second' | 'passkey' | 'new-passkey' | 'sign-on';
export type HalfWayRecord = { person: PersonId | null; expected: Record<string, string> };

export async function insertHalfWay(
  db: Db,
  way: { hash: Buffer; step: Step; person: PersonId | null; expected: object; expires: Instant },
) {
  await db('half_ways').insert({
    token_hash: way.hash,
    step: way.step,
    person_id: way.person,
    expected: JSON.stringify(way.expected),
    expires_at: timestamptz(way.expires),
  });
}

const record = (row: { person_id: string | null; expected: Record<string, string> } | undefined) =>
  row ? { person: row.person_id === null ? null : personId(row.person_id), expected: row.expected } : null;

/** A way that is not over, held for the transaction. */
export async function heldHalfWay(
  tx: Db,
  hash: Buffer,
  step: Step,
  now: Instant,
): Promise<HalfWayRecord | null> {
  const row = await tx('half_ways')
    .where({ token_hash: hash, step })
    .where('expires_at', '>', timestamptz(now))
    .forUpdate()
    .first('person_id', 'expected');
  return record(row);
}

/** Takes a way that is not over: nobody else takes it again. */
export async function takeHalfWay(
  db: Db,
  hash: Buffer,
  step: Step,
  now: Instant,
): Promise<HalfWayRecord | null> {
  const [row] = await db('half_ways')
    .where({ token_hash: hash, step })
    .where('expires_at', '>', timestamptz(now))
    .delete()
    .returning(['person_id', 'expected']);
  return record(row);
}

export const endHalfWay = (db: Db, hash: Buffer) => db('half_ways').where({ token_hash: hash }).delete();
export const sweepHalfWays = (db: Db, now: Instant) =>
  db('half_ways').where('expires_at', '<=', timestamptz(now)).delete();
