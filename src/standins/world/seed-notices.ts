import { instant, type Instant } from '@/core/ids';

import type { Deps } from '@/server/deps';
import { tellAnnouncements } from '@/server/notices/happened';
import { remindDue } from '@/server/notices/remind';
import { announcementTimes, settleNotices } from '@/server/setup/setup';

const HOUR_MS = 3_600_000;
/** Reminders of so long back stand on the pages. */
const REMINDED_MS = 72 * HOUR_MS;
/** What was due so long ago has been sent; what came since lies in the mailbox when the demo begins. */
const SENT_MS = 4 * HOUR_MS;

/**
 * What everybody was told of in the weeks before: announcements as of their moments, reminders of the last days, and what was there at the last visit
 * seen by then.
 */
export async function addNotices(db: Deps['db'], now: Instant, lastVisit: Instant) {
  for (const at of await announcementTimes(db, now))
    await db.transaction((tx) => tellAnnouncements({ now: at }, tx));
  for (let at = now - REMINDED_MS; at <= now; at += HOUR_MS) await remindDue({ db, now: instant(at) });
  await settleNotices(db, { seenBefore: lastVisit, sentBefore: instant(now - SENT_MS) });
}
