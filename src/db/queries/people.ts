import { instant, personId, type Instant, type PersonId } from '@/core/ids';
import type { Arranged } from '@/core/posts/arrange';
import { timestamptz, type Db } from '../connection';
import { UNSEEN_NOTICES } from './notices';
import { versionOf } from './pictures';

/** Where help is found, as stewards have said it. */
export type Help = { college: string; telephone: string; mail: string; hours: string };

export type Theme = 'system' | 'light' | 'dark';

export async function personByEmail(db: Db, email: string) {
  const row = await db('people')
    .whereRaw('lower(email) = lower(?)', [email])
    .first('id', 'password_hash', 'demo', 'ended_at');
  return row
    ? {
        id: personId(row.id),
        passwordHash: row.password_hash as string | null,
        demo: row.demo as boolean,
        ended: row.ended_at !== null,
      }
    : null;
}

/** The people the demo's sign-in page offers, in their order, with the courses they are in; a steward may be in none. */
export async function demoPeople(db: Db) {
  const rows = await db('people as p')
    .leftJoin('enrolments as e', 'e.person_id', 'p.id')
    .leftJoin('courses as c', 'c.id', 'e.course_id')
    .whereNotNull('p.demo_rank')
    .groupBy('p.id', 'p.name', 'p.demo_rank', 'p.steward')
    .orderBy('p.demo_rank')
    .select(
      'p.id',
      'p.name',
      db.raw("case when p.steward then 'steward' else min(e.role::text) end as role"),
      db.raw("coalesce(string_agg(c.code, ', ' order by c.code), '') as courses"),
    );
  return rows.map((r) => ({
    id: personId(r.id),
    name: r.name as string,
    role: r.role as string,
    courses: r.courses as string,
  }));
}

export async function isDemoPerson(db: Db, id: PersonId): Promise<boolean> {
  return (await db('people').where({ id }).whereNotNull('demo_rank').first('id')) !== undefined;
}

export async function openSession(
  db: Db,
  session: { tokenHash: Buffer; person: PersonId; agent: string; now: Instant; expires: Instant },
) {
  await db('sessions').insert({
    token_hash: session.tokenHash,
    person_id: session.person,
    agent: session.agent,
    started_at: timestamptz(session.now),
    seen_at: timestamptz(session.now),
    expires_at: timestamptz(session.expires),
  });
}

export async function closeSession(db: Db, tokenHash: Buffer) {
  await db('sessions').where({ token_hash: tokenHash }).delete();
}

/**
 * Who a session's token belongs to, with the demo clock's offset: the one query every page begins with. The caller
 * compares `expires` with the time it makes of the offset.
 */
export async function sessionByToken(db: Db, tokenHash: Buffer) {
  const row = await db('sessions as s')
    .join('people as p', 'p.id', 's.person_id')
    .where('s.token_hash', tokenHash)
    .whereNull('p.ended_at')
    .first(
      'p.id',
      'p.name',
      'p.email',
      'p.time_zone',
      'p.theme',
      'p.clock',
      'p.week_begins',
      'p.picture',
      'p.demo',
      'p.steward',
      's.started_at',
      's.expires_at',
      's.seen_at',
      'p.last_seen',
      'p.previous_visit',
      db.raw('coalesce((select offset_ms from demo_clock), 0) as clock_offset'),
      db.raw(UNSEEN_NOTICES),
      db.raw(
        `(select json_build_object('college', name, 'telephone', help_telephone, 'mail', help_mail, 'hours', help_hours)
          from college where help_telephone <> '' or help_mail <> '') as help`,
      ),
    );
  return row
    ? {
        person: personId(row.id),
        help: (row.help ?? null) as Help | null,
        name: row.name as string,
        email: row.email as string,
        timeZone: row.time_zone as string,
        theme: row.theme as Theme,
        clock: row.clock as '12' | '24',
        weekBegins: row.week_begins as number,
        picture: versionOf(row.picture as string | null),
        demo: row.demo as boolean,
        steward: row.steward as boolean,
        seen: instant(row.seen_at),
        started: instant(row.started_at),
        expires: instant(row.expires_at),
        lastSeen: row.last_seen === null ? null : instant(row.last_seen),
        previousVisit: row.previous_visit === null ? null : instant(row.previous_visit),
        clockOffset: Number(row.clock_offset),
        notices: Number(row.notices),
      }
    : null;
}

/** Of these sessions, named by their hashes in hexadecimal, those that there still are. */
export async function livingSessions(db: Db, hashes: readonly string[]): Promise<Set<string>> {
  const found: string[] = await db('sessions')
    .whereIn(
      'token_hash',
      hashes.map((hash) => Buffer.from(hash, 'hex')),
    )
    .select(db.raw(`encode(token_hash, 'hex') as hash`))
    .then((rows: { hash: string }[]) => rows.map((r) => r.hash));
  return new Set(found);
}

/** A new visit begins: what was last seen becomes the end of the visit before. */
export async function recordVisit(
  db: Db,
  { person, session }: { person: PersonId; session: Buffer },
  now: Instant,
  previous: Instant | null,
) {
  await db.raw(
    `with here as (update sessions set seen_at = ?::timestamptz where token_hash = ?)
     update people set last_seen = ?::timestamptz, previous_visit = ?::timestamptz where id = ?`,
    [timestamptz(now), session, timestamptz(now), previous === null ? null : timestamptz(previous), person],
  );
}

/** A browser was used just now. */
export const touchSession = (db: Db, tokenHash: Buffer, now: Instant) =>
  db('sessions')
    .where({ token_hash: tokenHash })
    .update({ seen_at: timestamptz(now) });

export async function setTheme(db: Db, person: PersonId, theme: Theme) {
  await db('people').where({ id: person }).update({ theme });
}

/** How a person read a conversation last. */
export async function readsAs(db: Db, person: PersonId): Promise<Arranged> {
  const row = await db('people').where({ id: person }).first('reads_as', 'newest_first');
  return { as: row.reads_as, newestFirst: row.newest_first };
}

export const setReadsAs = (db: Db, person: PersonId, { as, newestFirst }: Arranged) =>
  db('people').where({ id: person }).update({ reads_as: as, newest_first: newestFirst });
