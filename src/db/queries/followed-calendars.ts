import { instant, personId, type Instant, type PersonId } from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import type { CalendarDate } from './outside';

/** Why a followed calendar could not be read the last time. */
export type CalendarTrouble =
  'no-answer' | 'not-found' | 'private' | 'no-calendar' | 'too-large' | 'not-read';

export type FollowedCalendar = {
  id: string;
  person: PersonId;
  name: string;
  /** Its address, sealed. */
  address: Buffer;
  addedAt: Instant;
  etag: string | null;
  modified: string | null;
  askedAt: Instant | null;
  readAt: Instant | null;
  trouble: CalendarTrouble | null;
  dates: CalendarDate[];
  putAside: string[];
  offers: number;
};

// What a query selects only the query knows.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
const toCalendar = (row: any): FollowedCalendar => ({
  id: row.id,
  person: personId(row.person_id),
  name: row.name,
  address: row.address,
  addedAt: instant(row.added_at),
  etag: row.etag,
  modified: row.modified,
  askedAt: row.asked_at === null ? null : instant(row.asked_at),
  readAt: row.read_at === null ? null : instant(row.read_at),
  trouble: row.trouble,
  dates: row.dates,
  putAside: row.put_aside,
  offers: row.offers,
});

export const insertCalendar = (
  db: Db,
  calendar: { id: string; person: PersonId; name: string; address: Buffer; at: Instant },
) =>
  db('followed_calendars').insert({
    id: calendar.id,
    person_id: calendar.person,
    name: calendar.name,
    address: calendar.address,
    added_at: timestamptz(calendar.at),
    next_at: timestamptz(calendar.at),
  });

/** Held until the change is whole: who follows two at once is counted one after the other. */
export const holdFollowed = (db: Db, person: PersonId) =>
  db.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [`calendars ${person}`]);

export const followedCalendars = async (db: Db, person: PersonId): Promise<FollowedCalendar[]> =>
  (await db('followed_calendars').where({ person_id: person }).orderBy('added_at')).map(toCalendar);

export async function followedCalendar(
  db: Db,
  person: PersonId,
  id: string,
): Promise<FollowedCalendar | null> {
  const row = await db('followed_calendars').where({ id, person_id: person }).first();
  return row ? toCalendar(row) : null;
}

/**
 * Those whose time has come and whose follower has an account still, each for one process alone; what is asked for now is not due again
 * before `again`.
 */
export async function claimDueCalendars(
  db: Db,
  now: Instant,
  again: Instant,
  most: number,
): Promise<{ calendar: FollowedCalendar; person: { id: PersonId; name: string; timeZone: string } }[]> {
  const { rows } = await db.raw(
    `update followed_calendars f set next_at = ? from people p
     where p.id = f.person_id and f.id in (
       select due.id from followed_calendars due join people o on o.id = due.person_id
       where due.next_at <= ? and o.ended_at is null order by due.next_at limit ? for update of due skip locked
     )
     returning f.*, p.name as person_name, p.time_zone`,
    [timestamptz(again), timestamptz(now), most],
  );
  return rows.map((row: Record<string, string>) => ({
    calendar: toCalendar(row),
    person: { id: personId(row.person_id ?? ''), name: row.person_name ?? '', timeZone: row.time_zone ?? '' },
  }));
}

/** What became of asking. */
export const keepAnswer = (
  db: Db,
  id: string,
  answer: {
    askedAt: Instant;
    nextAt: Instant;
    trouble: CalendarTrouble | null;
    read?: { etag: string | null; modified: string | null; dates: CalendarDate[] };
  },
) =>
  db('followed_calendars')
    .where({ id })
    .update({
      asked_at: timestamptz(answer.askedAt),
      next_at: timestamptz(answer.nextAt),
      trouble: answer.trouble,
      ...(answer.trouble === null ? { read_at: timestamptz(answer.askedAt) } : {}),
      ...(answer.read
        ? {
            etag: answer.read.etag,
            modified: answer.read.modified,
            dates: JSON.stringify(answer.read.dates),
          }
        : {}),
    });

export const keepOffers = (db: Db, id: string, offers: number) =>
  db('followed_calendars').where({ id }).update({ offers });

/** Rows that somebody does not want: they are not offered again. */
export const putRowsAside = (db: Db, id: string, keys: readonly string[]) =>
  db('followed_calendars')
    .where({ id })
    .update({
      put_aside: db.raw(
        `(select coalesce(jsonb_agg(distinct k), '[]') from (
            select jsonb_array_elements_text(put_aside) as k union select unnest(?::text[])
          ) as all_keys)`,
        [[...keys]],
      ),
    });

export const deleteCalendar = (db: Db, person: PersonId, id: string) =>
  db('followed_calendars').where({ id, person_id: person }).delete();

/** The calendars that offer something, for who follows them. */
export const calendarsOffering = (
  db: Db,
  person: PersonId,
): Ask<{ id: string; name: string; offers: number }[]> => ({
  query: db('followed_calendars')
    .where({ person_id: person })
    .where('offers', '>', 0)
    .orderBy('added_at')
    .select('id', 'name', 'offers'),
  read: (rows) => rows.map(({ id, name, offers }) => ({ id, name, offers })),
});
