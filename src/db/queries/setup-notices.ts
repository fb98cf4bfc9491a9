import { instant, type Instant } from '@/core/ids';
import { timestamptz, type Db } from '../connection';
import { setMails } from './deliveries';

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
  const mails = await db('notices as n')
    .join('people as p', 'p.id', 'n.person_id')
    .where('n.due_at', '<', timestamptz(sentBefore))
    .select('n.id', 'n.due_at', 'p.email', db.raw('gen_random_uuid() as mail'));
  for (let i = 0; i < mails.length; i += 500)
    await db('mails').insert(
      mails.slice(i, i + 500).map(({ mail, email, due_at: due }) => ({
        id: mail,
        kind: 'notices',
        to_address: email,
        about: '{}',
        made_at: timestamptz(due),
        sent_at: timestamptz(due),
      })),
    );
  await setMails(
    db,
    mails.map(({ id, mail }) => ({ id: Number(id), mail })),
  );
}
