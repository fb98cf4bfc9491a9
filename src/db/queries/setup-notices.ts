import { instant, type Instant } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** The moments at which announcements went out that nobody was told of, in order. */
export async function announcementTimes(db: Db, now: Instant): Promise<Instant[]> {
  const rows = await db('announcements')
    .whereNull('told_at')
    .where('posted_at', '<=', timestamptz(now))
    .distinct('posted_at')
    .orderBy('posted_at');
  return rows.map((r) => instant(r.posted_at));
}

/** Lays down how notices of a time before stand: seen by a moment, and sent by another. */
export async function settleNotices(
  db: Db,
  { seenBefore, sentBefore }: { seenBefore: Instant; sentBefore: Instant },
) {
  await db('notices')
    .whereNull('seen_at')
    .where('last_at', '<', timestamptz(seenBefore))
    .update({ seen_at: timestamptz(seenBefore) });
  await db('notices').where('due_at', '<', timestamptz(sentBefore)).update({ due_at: null });
}
