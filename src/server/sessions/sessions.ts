import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { instant, type Instant, type PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import {
  closeSession,
  isDemoPerson,
  openSession,
  personByEmail,
  recordVisit,
  sessionByToken,
  touchSession,
} from '@/db/queries/people';
import { foldedAddress, isKnownDevice, knowDevice } from '@/db/queries/sign-in';
import type { Db } from '@/db/connection';
import { hasSecondFactor } from '@/db/queries/second-factors';
import type { Deps } from '../deps';
import { FairQueue } from '../readers/fair-queue';
import { hashOf, newToken } from '../secrets/tokens';
import { beginHalfWay } from '../ways-in/half-way';
import { takeTry } from './limiter';

const SESSION_DAYS = 30;
/** OWASP's minimum for argon2id: 19 MiB, two passes, one lane. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string) => hash(password, ARGON);

let decoy: Promise<string> | null = null;
/** An unknown address costs as much time as a wrong password, so that neither tells who is here. */
const decoyHash = () => (decoy ??= hashPassword(randomBytes(16).toString('hex')));

/** What a browser says it is, as far as it is kept. */
const AGENT_LENGTH = 300;

/** Opens a session for somebody who has shown who they are. */
export async function begin(
  deps: { db: Db; now: Instant },
  person: PersonId,
  agent: string,
): Promise<{ token: string; maxAgeSeconds: number }> {
  const token = newToken();
  const maxAgeSeconds = SESSION_DAYS * 86_400;
  await openSession(deps.db, {
    tokenHash: hashOf(token),
    person,
    agent: agent.slice(0, AGENT_LENGTH),
    now: deps.now,
    expires: instant(deps.now + maxAgeSeconds * 1_000),
  });
  return { token, maxAgeSeconds };
}

/** Whom somebody says they are, and from where. */
export type SignInTry = {
  email: string;
  password: string;
  /** The network the request came from; null where nobody knows. */
  network: string | null;
  /** What this browser was given when somebody signed in with it before. */
  device: string | null;
  /** What the browser says it is. */
  agent: string;
  /** People of the demo may sign in: only where it is one. */
  demo: boolean;
};
export type SignInFailure = { code: 'wrong-credentials' } | { code: 'too-many-tries' };

/** Somebody is in: what their browser keeps. The device is told where the browser was not known before. */
export type Entry = { token: string; maxAgeSeconds: number; device: string | null };

/** What this browser comes with. */
export type Coming = Pick<SignInTry, 'network' | 'device' | 'agent'>;

const TRIES_SECONDS = 15 * 60;
/** From one network for one address; from one network for any; for one address from anywhere; on a device that is known. */
const MOST = { pair: 20, network: 60, address: 100, device: 20 } as const;
/** One password at a time: each takes a core for a fortieth of a second, and pages are made on the same ones. */
const passwords = new FairQueue(1, 100);

/**
 * Whether a password is the one that a hash was made of; as dear where there is no hash. Null where too many are waiting to be told.
 */
export async function isPassword(
  passwordHash: string | null,
  password: string,
  turn: string,
): Promise<boolean | null> {
  const against = passwordHash ?? (await decoyHash());
  const right = await passwords.take(turn, () => verify(against, password));
  return right === null ? null : right && passwordHash !== null;
}

/** What a try is counted by. A device that is known for a person has a count of its own, which no stranger can fill. */
async function countedBy(
  deps: Deps,
  person: PersonId | null,
  { network, device, about }: Pick<SignInTry, 'network' | 'device'> & { about: string },
) {
  if (person !== null && device !== null && (await isKnownDevice(deps.db, person, hashOf(device))))
    return [{ key: `device ${person} ${device}`, most: MOST.device }];
  const address = await foldedAddress(deps.db, about);
  return [
    { key: `address ${address}`, most: MOST.address },
    ...(network === null
      ? []
      : [
          { key: `network ${network}`, most: MOST.network },
          { key: `pair ${network} ${address}`, most: MOST.pair },
        ]),
  ];
}

/** Takes the right to try to get in as somebody: null where there were too many tries. The answer forgets the try again. */
export async function takeEntryTry(
  deps: Deps,
  person: PersonId | null,
  by: Pick<SignInTry, 'network' | 'device'> & { about: string },
): Promise<(() => Promise<unknown>) | null> {
  return takeTry(deps.db, await countedBy(deps, person, by), TRIES_SECONDS);
}

/** Lets somebody in who has shown all that is asked of them; this browser is known as theirs from now on. */
export async function letIn(deps: { db: Db; now: Instant }, person: PersonId, from: Coming): Promise<Entry> {
  const device = from.device ?? newToken();
  await knowDevice(deps.db, person, hashOf(device), deps.now);
  return { ...(await begin(deps, person, from.agent)), device };
}

/**
 * Signs somebody in by address and password. The right to try is taken before the password is looked at, so many at once are
 * counted like many in a row; and no number of tries by a stranger keeps a person out on a device of theirs.
 * Where a second factor is asked of them they are half way in, and no further.
 */
export async function signIn(
  deps: Deps,
  given: SignInTry,
): Promise<Result<Entry | { second: string }, SignInFailure>> {
  const found = await personByEmail(deps.db, given.email);
  // Where there is no demo its people are nobody, whatever their password; and so is whose account was ended.
  const person = found && !found.ended && (given.demo || !found.demo) ? found : null;
  const forget = await takeEntryTry(deps, person?.id ?? null, { ...given, about: given.email });
  if (!forget) return fail({ code: 'too-many-tries' });
  const right = await isPassword(person?.passwordHash ?? null, given.password, given.network ?? '');
  if (right === null) return fail({ code: 'too-many-tries' });
  if (!person || !right) return fail({ code: 'wrong-credentials' });
  await forget();
  if (await hasSecondFactor(deps.db, person.id))
    return ok({ second: await beginHalfWay(deps, 'second', person.id) });
  return ok(await letIn(deps, person.id, given));
}

/** One click in the demo: only for the people the demo offers. The caller has made sure that this is the demo. */
export async function signInAsDemoPerson(
  deps: Deps,
  person: PersonId,
  agent: string,
): Promise<Result<Entry, { code: 'not-offered' }>> {
  if (!(await isDemoPerson(deps.db, person))) return fail({ code: 'not-offered' });
  return ok({ ...(await begin(deps, person, agent)), device: null });
}

/** A session's name, which lets nobody in. */
export const sessionName = (token: string) => hashOf(token).toString('hex');

export async function findSession(db: Deps['db'], token: string) {
  const hash = hashOf(token);
  const session = await sessionByToken(db, hash);
  return session && { ...session, hash };
}

/** After this long without a page a new visit begins. */
const VISIT_GAP_MS = 30 * 60_000;
/** Within a visit "last seen" is written at most this often. */
const SEEN_EVERY_MS = 5 * 60_000;

/**
 * Notes that somebody is here, and says when their visit before this one ended: what "since you were here" goes by.
 * Most pages write nothing.
 */
export async function noteVisit(
  deps: Deps,
  session: {
    person: PersonId;
    hash: Buffer;
    /** When this browser was used last; the person may have been seen on another since. */
    seen: Instant;
    lastSeen: Instant | null;
    previousVisit: Instant | null;
  },
): Promise<Instant | null> {
  const { person, hash, seen, lastSeen, previousVisit } = session;
  const away = lastSeen === null ? Infinity : Math.abs(deps.now - lastSeen);
  if (away < SEEN_EVERY_MS) {
    if (Math.abs(deps.now - seen) >= SEEN_EVERY_MS) await touchSession(deps.db, hash, deps.now);
    return previousVisit;
  }
  const previous = away > VISIT_GAP_MS ? lastSeen : previousVisit;
  await recordVisit(deps.db, { person, session: hash }, deps.now, previous);
  return previous;
}

export const signOut = (db: Deps['db'], token: string) => closeSession(db, hashOf(token));
