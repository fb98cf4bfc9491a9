import { instant, type Instant } from '@/core/ids';
import { timestamptz, type Db } from '../connection';
import { addMailJobs } from './jobs';

export type NewMail = { id: string; kind: string; to: string; about: object; now: Instant };

/** A mail that was tried so often is given up: with the pauses of the queue, some sixteen hours after the first time. */
export const MOST_TRIES = 12;

/** Lays mails down to be sent, in the transaction of what they tell of: neither without the other. */
export async function postMails(db: Db, mails: readonly NewMail[]) {
  for (let i = 0; i < mails.length; i += 500) {
    const some = mails.slice(i, i + 500);
    await db('mails').insert(
      some.map((m) => ({
        id: m.id,
        kind: m.kind,
        to_address: m.to,
        about: JSON.stringify(m.about),
        made_at: timestamptz(m.now),
      })),
    );
    await addMailJobs(
      db,
      'send-mail',
      some.map((m) => m.id),
      MOST_TRIES,
    );
  }
}

export const postMail = (db: Db, mail: NewMail) => postMails(db, [mail]);

export type MailRecord = {
  kind: string;
  to: string;
  about: Record<string, unknown>;
  /** How often it was taken, with this time. */
  tries: number;
};

/** Whoever took a mail and has said nothing of it for so long is gone. */
const TAKEN_FOR = `interval '2 minutes'`;

/**
 * Takes a mail to send it: null where it is sent or given up.
 *
 * @throws where somebody else has it in hand: if they are gone, it is sent when it is tried again later
 */
export async function takeMail(db: Db, id: string): Promise<MailRecord | null> {
  const [row] = await db('mails')
    .where({ id })
    .whereNull('sent_at')
    .whereNull('given_up_at')
    .where((q) => q.whereNull('taken_at').orWhereRaw(`taken_at < now() - ${TAKEN_FOR}`))
    .update({ taken_at: db.fn.now(), tries: db.raw('tries + 1') })
    .returning(['kind', 'to_address', 'about', 'tries']);
  if (row) return { kind: row.kind, to: row.to_address, about: row.about, tries: row.tries };
  const [held] = await db('mails').where({ id }).whereNull('sent_at').whereNull('given_up_at').select('id');
  if (held) throw new Error('This mail is being sent already.');
  return null;
}

export const mailSent = (db: Db, id: string, now: Instant) =>
  db('mails')
    .where({ id })
    .update({ sent_at: timestamptz(now), trouble: '' });

/** It could not be handed over: it may be taken again at once. */
export const mailNotSent = (db: Db, id: string, trouble: string) =>
  db('mails')
    .where({ id })
    .update({ taken_at: null, trouble: trouble.slice(0, 300) });

/** How the mail of an installation stands: how much waits, since when, how much of the last week was given up, and what the last trouble was. */
export async function mailState(
  db: Db,
): Promise<{ waiting: number; since: Instant | null; givenUp: number; trouble: string }> {
  const row = await db('mails')
    .whereNull('sent_at')
    .whereRaw(`(given_up_at is null or given_up_at > now() - interval '7 days')`)
    .first(
      db.raw('count(*) filter (where given_up_at is null) as waiting'),
      db.raw('count(given_up_at) as given_up'),
      db.raw('min(made_at) filter (where given_up_at is null) as since'),
      db.raw(
        `coalesce((array_agg(trouble order by made_at desc) filter (where trouble <> ''))[1], '') as trouble`,
      ),
    );
  return {
    waiting: Number(row.waiting),
    since: row.since === null ? null : instant(row.since),
    givenUp: Number(row.given_up),
    trouble: row.trouble,
  };
}
