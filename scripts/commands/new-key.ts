import { connect } from '@/db/connection';
import { currentTime } from '@/server/clock/clock';
import { boxFor } from '@/runtime/secret';
import { rotateKey } from '@/server/receipts/keys';
import { realClock } from '../lib/database';
import { startCluster } from '../lib/postgres';
import { say } from '../lib/say';
import { secretFile } from '../lib/web';

export const help = `./pulpit new-key

Signs receipts with a new key from now on. Receipts that were signed before are still verified. Pulpit does the same of
itself every 90 days.`;

export async function run(): Promise<number> {
  const db = connect(process.env.DATABASE_URL ?? (await startCluster('demo')), { poolMax: 1 });
  try {
    const box = boxFor({ secret: process.env.PULPIT_SECRET || null, secretFile: secretFile('demo') });
    const key = await rotateKey({ db, box, now: await currentTime(db, realClock) });
    say(`Receipts are signed with key ${key.id} from now on.`);
  } finally {
    await db.destroy();
  }
  return 0;
}
