import { instant, personId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** A private address that programs read: only the hash of what is secret in it. */
export type FeedRecord = { tokenHash: Buffer; madeAt: Instant; lastRead: Instant | null };

export async function feedOf(db: Db, person: PersonId): Promise<FeedRecord | null> {
  const row = await db('calendar_feeds').where({ person_id: person }).first();
  return row
    ? {
        tokenHash: row.token_hash,
        madeAt: instant(row.made_at),
        lastRead: row.last_read === null ? null : instant(row.last_read),
      }
    : null;
}

/** A new secret address; the one before is dead from then on. */
export async function makeFeed(db: Db, person: PersonId, tokenHash: Buffer, now: Instant) {
  await db('calendar_feeds')
    .insert({ person_id: person, token_hash: tokenHash, made_at: timestamptz(now), last_read: null })
    .onConflict('person_id')
    .merge();
}

export async function deleteFeed(db: Db, person: PersonId) {
  await db('calendar_feeds').where({ person_id: person }).delete();
}

/** Whose feed a token opens, with the demo clock's offset: the first query of a feed reader's request. */
export async function feedReader(db: Db, tokenHash: Buffer) {
  const row = await db('calendar_feeds as f')
    .join('people as p', 'p.id', 'f.person_id')
    .where('f.token_hash', tokenHash)
    .first(
      'p.id',
      'p.name',
      'p.time_zone',
      db.raw('coalesce((select offset_ms from demo_clock), 0) as clock_offset'),
    );
  return row
    ? {
        person: personId(row.id),
        name: row.name as string,
        timeZone: row.time_zone as string,
        clockOffset: Number(row.clock_offset),
      }
    : null;
}

export async function noteFeedRead(db: Db, tokenHash: Buffer, now: Instant) {
  await db('calendar_feeds')
    .where({ token_hash: tokenHash })
    .update({ last_read: timestamptz(now) });
}

export type EntryVersion = { uid: string; sequence: number; changedAt: Instant };

/**
 * Records what a feed says now and answers with the version of each entry: an entry said for the first time has
 * sequence 0, one that says something else than before has one more than before.
 */
export async function versionEntries(
  db: Db,
  person: PersonId,
  entries: { uid: string; hash: string }[],
  now: Instant,
): Promise<Map<string, EntryVersion>> {
  if (entries.length === 0) return new Map();
  const { rows } = await db.raw(
    `insert into feed_entries as e (person_id, uid, content_hash, sequence, changed_at)
     select :person::uuid, u.uid, u.hash, 0, :now::timestamptz
     from unnest(:uids::text[], :hashes::text[]) as u (uid, hash) order by u.uid
     on conflict (person_id, uid) do update set
       sequence = e.sequence + case when e.content_hash = excluded.content_hash then 0 else 1 end,
       changed_at = case when e.content_hash = excluded.content_hash then e.changed_at else excluded.changed_at end,
       content_hash = excluded.content_hash
     returning uid, sequence, changed_at`,
    {
      person,
      now: timestamptz(now),
      uids: entries.map((e) => e.uid),
      hashes: entries.map((e) => e.hash),
    },
  );
  return new Map(
    rows.map((r: { uid: string; sequence: number; changed_at: number }) => [
      r.uid,
      { uid: r.uid, sequence: r.sequence, changedAt: instant(r.changed_at) },
    ]),
  );
}
