import type { Knex } from 'knex';
import { Secret, TOTP } from 'otpauth';
import type { Actor } from '@/server/deps';
import { acceptInvitation } from '@/server/people/accept';
import { invite } from '@/server/people/invite';
import { findSession, signIn } from '@/server/sessions/sessions';
import type { Steward } from '@/server/stewards/enter';
import { begun, keyIn, post } from './college';
import { deps, on, smallCourse, triedBefore } from './world';

export const PASSWORD = 'a heron stands in the shallow bend';
/** The database of the file that is run, and who is in it. */
export let db: Knex;
export let world: Awaited<ReturnType<typeof smallCourse>>;
export let steward: Steward;
export let edda: Actor;
export const EMAIL = 'edda@x.example';

/** A course of its own for a file of tests, with a steward and a student who came by her invitation. */
export function waysIn(name: string) {
  beforeAll(async () => {
    world = await smallCourse(name);
    db = world.db;
    steward = await begun(db);
    edda = await invited(EMAIL, 'Edda Lorne');
  });
  beforeEach(() => triedBefore(db, 60));
  afterAll(() => db.destroy());
}

export const from = { network: '192.0.2.1', device: null, agent: 'a test' };
export const enter = (when: string, email = EMAIL, password = PASSWORD) =>
  signIn(deps(db, when), { email, password, ...from, demo: false });

export async function whose(token: string): Promise<Actor> {
  const session = await findSession(db, token);
  if (!session) throw new Error('nobody is signed in');
  const { person: id, name, timeZone } = session;
  return { id, name, timeZone, previousVisit: null };
}

/** Somebody who was invited and came. */
export async function invited(email: string, name: string): Promise<Actor> {
  await invite(deps(db, 'Mon 07:00'), steward, {
    name,
    email,
    as: { course: world.course, role: 'student' },
  });
  const [mail] = await post(db, on('Mon 07:01'));
  const said = { name, password: PASSWORD, timeZone: 'UTC' };
  const done = await acceptInvitation(deps(db, 'Mon 07:02'), keyIn(mail), said, '');
  if (!done.ok || !done.value) throw new Error('nobody came');
  return whose(done.value.token);
}

export const proof = (when: string, password = PASSWORD) => ({ password, network: null, since: on(when) });
/** The wall clock is another than the course's. */
export const WALL = Date.UTC(2030, 0, 1);
export const timed = (when: string, wall = WALL) => ({ ...deps(db, when), real: wall });
export const codeOf = (secret: string, wall = WALL) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: wall });
