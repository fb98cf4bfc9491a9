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

/**
 * Takes the right to try once, before anything is tried: null where there were too many by any of the keys in so many seconds,
 * counted from the first. A try that is refused is none that counts, and the answer forgets one that was right.
 */
export async function takeTry(
  db: Db,
  counted: readonly Counted[],
  seconds: number,
): Promise<(() => Promise<void>) | null> {
  const taken: (() => Promise<unknown>)[] = [];
  const giveBack = async () => {
    for (const back of taken) await back();
  };
  for (const { key, most } of counted) {
    const limit = limiter(db, most, seconds);
    const name = hashed(key);
    taken.push(() => limit.reward(name));
    try {
      await limit.consume(name);
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      await giveBack();
      return null;
    }
  }
  return giveBack;
}
