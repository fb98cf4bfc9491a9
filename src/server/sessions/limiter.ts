import { createHash } from 'node:crypto';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Db } from '@/db/connection';

/** Something tries are counted by, and how many of it are too many. */
export type Counted = { key: string; most: number };

const limiter = (db: Db, points: number, seconds: number) =>
  new RateLimiterPostgres({
    storeClient: db,
    storeType: 'knex',
    tableName: 'tries',
    tableCreated: true,
    // Whoever keeps the house in order does that too.
    clearExpiredByTimeout: false,
    keyPrefix: '',
    points,
    duration: seconds,
  });

const hashed = (key: string) => createHash('sha256').update(key).digest('hex');

/** There were too many tries by some key. */
class Refused extends Error {}

/** Counts one try by a key, or refuses it. */
async function count(tx: Db, { key, most }: Counted, seconds: number) {
  try {
    await limiter(tx, most, seconds).consume(hashed(key));
  } catch (refused) {
    throw refused instanceof RateLimiterRes ? new Refused() : refused;
  }
}

/**
 * Takes the right to try once, before anything is tried: null where there were too many by any of the keys in so many seconds,
 * counted from the first. It is counted by all keys or by none, so that a try that is refused does not count; and the answer forgets one
 * that was right.
 */
export async function takeTry(
  db: Db,
  counted: readonly Counted[],
  seconds: number,
): Promise<(() => Promise<void>) | null> {
  try {
    await db.transaction(async (tx) => {
      for (const one of counted) await count(tx, one, seconds);
    });
  } catch (error) {
    if (error instanceof Refused) return null;
    throw error;
  }
  return async () => {
    for (const { key, most } of counted) await limiter(db, most, seconds).reward(hashed(key));
  };
}
