import { beginAt } from '@/contract/addresses';
import { connect } from '@/db/connection';
import { currentTime } from '@/server/clock/clock';
import { firstRunKey } from '@/server/people/first-run';
import { offeredPeople } from '@/server/sessions/offered';
import { realClock } from './database';
import { say } from './say';

/** Where nobody looks after the installation yet: says the address that makes its first steward. False where somebody does. */
export async function sayFirstRun(url: string, site: string): Promise<boolean> {
  const db = connect(url, { poolMax: 1 });
  try {
    const now = await currentTime(db, realClock);
    if ((await offeredPeople({ db })).length > 0)
      say(
        'The demo’s people are in this database, and none of them can sign in now. For an empty one: ./pulpit reset --empty',
      );
    const key = await firstRunKey({ db, now }, false);
    if (key === null) return false;
    say(
      `Nobody looks after this Pulpit yet. Make it yours (once, within an hour): ${site}${beginAt()}#${key}`,
    );
    return true;
  } finally {
    await db.destroy();
  }
}
