import { connect } from '@/db/connection';
import { currentTime } from '@/server/clock/clock';
import { rotateKey } from '@/server/receipts/keys';
import { realClock } from '../lib/database';
import { startCluster } from '../lib/postgres';
import { say } from '../lib/say';

export const help = `./pulpit new-key

Signs receipts with a new key from now on. Receipts that were signed before are still verified. Pulpit does the same of
itself every 90 days.`;

export async function run(): Promise<number> {
  const db = connect(process.env.DATABASE_URL ?? (await startCluster('demo')), { poolMax: 1 });
  try {
    const key = await rotateKey(db, await currentTime(db, realClock));
    say(`Receipts are signed with key ${key.id} from now on.`);
  } finally {
    await db.destroy();
  }
  return 0;
}
