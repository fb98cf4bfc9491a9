import type { Instant, PersonId } from '@/core/ids';
import { personId } from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { addMailJobs } from './jobs';

/** A device that listens: where its push service takes what is sent to it, and what it is sealed with (RFC 8291). */
export type DeviceToPush = { id: string; endpoint: string; p256dh: string; auth: string };

export const devicesOf = (db: Db, person: PersonId): Ask<DeviceToPush[]> => ({
  query: db('push_devices')
    .where({ person_id: person })
    .orderBy('made_at')
    .select('id', 'endpoint', 'p256dh', 'auth'),
  read: (rows) => rows,
});

/** A device listens for somebody: for whoever listened there before it does no more. */
export const putDevice = (
  db: Db,
  person: PersonId,
  device: DeviceToPush & { session: string },
  now: Instant,
) =>
  db('push_devices')
    .insert({
      id: device.id,
      person_id: person,
      session: Buffer.from(device.session, 'hex'),
      endpoint: device.endpoint,
      p256dh: device.p256dh,
      auth: device.auth,
      made_at: timestamptz(now),
    })
    .onConflict('endpoint')
    .merge(['person_id', 'session', 'p256dh', 'auth', 'made_at']);

export const dropDevice = (db: Db, which: { person: PersonId; endpoint: string } | { id: string }) =>
  db('push_devices')
    .where('id' in which ? { id: which.id } : { person_id: which.person, endpoint: which.endpoint })
    .delete();

/** Asks for what a mail tells to be sent to the devices of its reader too, where they have any. */
export async function postPushes(db: Db, mails: readonly { mail: string; person: PersonId }[]) {
  if (mails.length === 0) return;
  const devices = await db('push_devices')
    .whereIn(
      'person_id',
      mails.map((m) => m.person),
    )
    .distinct('person_id')
    .pluck('person_id');
  const has = new Set<string>(devices);
  const theirs = mails.filter((m) => has.has(m.person)).map((m) => m.mail);
  if (theirs.length) await addMailJobs(db, 'push', theirs, 5);
}

/** Whose notices a mail carries. */
export async function readerOfMail(db: Db, mail: string): Promise<PersonId | null> {
  const row = await db('notices').where({ mail_id: mail }).first('person_id');
  return row ? personId(row.person_id) : null;
}

export async function pushKeys(db: Db): Promise<{ public: string; private: Buffer } | null> {
  const row = await db('push_keys').first('public', 'private');
  return row ?? null;
}

export const putPushKeys = (db: Db, keys: { public: string; private: Buffer }) =>
  db('push_keys').insert(keys).onConflict().ignore();

/** Puts other keys in the place of those that nobody can open any more; devices that listened by them are forgotten. */
export const replacePushKeys = (db: Db, known: string, keys: { public: string; private: Buffer }) =>
  db.transaction(async (tx) => {
    const replaced = await tx('push_keys').where({ public: known }).update(keys);
    if (replaced) await tx('push_devices').delete();
  });
