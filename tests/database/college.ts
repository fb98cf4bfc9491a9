import type { Knex } from 'knex';
import { instant, type Instant } from '@/core/ids';
import type { Outgoing } from '@/server/mail/port';
import { sendMail } from '@/server/mail/send';
import { beginCollege, firstRunKey } from '@/server/people/first-run';
import { enterAsSteward, type Steward } from '@/server/stewards/enter';
import { findSession, type Entry, type signIn } from '@/server/sessions/sessions';
import { box, on } from './world';

/** From where these tests send. */
export const SENDING = {
  home: { site: 'https://pulpit.tidewell.example', domain: 'tidewell.example', takesAnswers: true },
  demo: false,
};

/** Sends what waits, at a moment, and gives what left; whatever no longer speaks to anybody leaves nothing. */
export async function post(db: Knex, at: Instant): Promise<Outgoing[]> {
  const out: Outgoing[] = [];
  const waiting: { id: string }[] = await db('mails').whereNull('sent_at').orderBy('made_at').select('id');
  for (const { id } of waiting)
    await sendMail(
      { db, now: at, box },
      { send: (mail) => Promise.resolve(void out.push(mail)) },
      SENDING,
      id,
    ).catch((error: Error) => {
      // What is in another's hands is left to them.
      if (!/being sent already/u.test(error.message)) throw error;
    });
  return out;
}

/** The key of the link in a mail. */
export const keyIn = (mail: Outgoing | undefined): string =>
  /#([\w-]{43})/u.exec(mail?.text ?? '')?.[1] ?? '';

export const later = (at: Instant, hours: number): Instant => instant(at + hours * 3_600_000);

/** Somebody is signed in, and nothing else is asked of them. */
export function isIn(done: Awaited<ReturnType<typeof signIn>>): Entry {
  if (!done.ok) throw new Error(done.failure.code);
  if ('second' in done.value) throw new Error('a second factor is asked for');
  return done.value;
}

/** A college with its first steward, begun on Monday morning. */
export async function begun(db: Knex): Promise<Steward> {
  const deps = { db, now: on('Mon 06:00') };
  const key = await firstRunKey(deps, false);
  const done = await beginCollege(
    deps,
    key ?? '',
    {
      college: 'Tidewell Open College',
      timeZone: 'Europe/London',
      name: 'Agnes Thorwald',
      email: 'agnes@tidewell.example',
      password: 'lanterns over the tide mill',
    },
    { demo: false, agent: 'a test' },
  );
  if (!done.ok) throw new Error(done.failure.code);
  const session = await findSession(db, done.value.token);
  if (!session) throw new Error('the first steward is signed in');
  const door = await enterAsSteward(deps, {
    id: session.person,
    name: session.name,
    timeZone: session.timeZone,
    previousVisit: null,
  });
  if (!door.ok) throw new Error('the first steward is a steward');
  return door.value;
}
