import { instant, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type DeviceRecord = { id: string; agent: string; started: Instant; seen: Instant; hash: string };

/** Where a person is signed in, last used first. */
export async function sessionsOf(db: Db, person: PersonId, now: Instant): Promise<DeviceRecord[]> {
  const rows = await db('sessions')
    .where({ person_id: person })
    .where('expires_at', '>', timestamptz(now))
    .orderBy('seen_at', 'desc')
    .limit(100)
    .select('id', 'agent', 'started_at', 'seen_at', db.raw(`encode(token_hash, 'hex') as hash`));
  return rows.map((r) => ({
    id: r.id,
    agent: r.agent,
    started: instant(r.started_at),
    seen: instant(r.seen_at),
    hash: r.hash,
  }));
}

/** Ends one session of a person, or all but one, or all. */
export async function endSessions(
  db: Db,
  person: PersonId,
  which: { id: string } | { allBut: string } | 'all',
): Promise<number> {
  return db('sessions')
    .where({ person_id: person })
    .modify((q) => {
      if (which === 'all') return;
      if ('id' in which) q.where({ id: which.id });
      else q.whereNot({ token_hash: Buffer.from(which.allBut, 'hex') });
    })
    .delete();
}

/** Sessions that are over go: by their age, or because nobody used them. */
export const sweepSessions = (db: Db, now: Instant, unusedSince: Instant) =>
  db('sessions')
    .where('expires_at', '<=', timestamptz(now))
    .orWhere('seen_at', '<', timestamptz(unusedSince))
    .delete();
