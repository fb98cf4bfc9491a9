import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { instant, type Instant, type PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import {
  closeSession,
  failuresSince,
  isDemoPerson,
  openSession,
  personByEmail,
  recordFailure,
  recordVisit,
  sessionByToken,
} from '@/db/queries/people';
import type { Deps } from '../deps';

const SESSION_DAYS = 30;
const FAILURE_WINDOW_MS = 15 * 60_000;
const FAILURES_ALLOWED = 10;
/** OWASP's minimum for argon2id: 19 MiB, two passes, one lane. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

const hashToken = (token: string) => createHash('sha256').update(token).digest();

export const hashPassword = (password: string) => hash(password, ARGON);

let decoy: Promise<string> | null = null;
/** An unknown address costs as much time as a wrong password, so that neither tells who is here. */
const decoyHash = () => (decoy ??= hashPassword(randomBytes(16).toString('hex')));

async function begin(deps: Deps, person: PersonId): Promise<{ token: string; maxAgeSeconds: number }> {
  const token = randomBytes(32).toString('base64url');
  const maxAgeSeconds = SESSION_DAYS * 86_400;
  await openSession(deps.db, {
    tokenHash: hashToken(token),
    person,
    now: deps.now,
    expires: instant(deps.now + maxAgeSeconds * 1_000),
  });
  return { token, maxAgeSeconds };
}

export type SignInFailure = { code: 'wrong-credentials' } | { code: 'too-many-tries' };

export async function signIn(
  deps: Deps,
  email: string,
  password: string,
): Promise<Result<{ token: string; maxAgeSeconds: number }, SignInFailure>> {
  const tries = await failuresSince(deps.db, email, instant(deps.now - FAILURE_WINDOW_MS));
  if (tries >= FAILURES_ALLOWED) return fail({ code: 'too-many-tries' });
  const person = await personByEmail(deps.db, email);
  const right = await verify(person?.passwordHash ?? (await decoyHash()), password);
  if (!person || !right) {
    await recordFailure(deps.db, email, deps.now);
    return fail({ code: 'wrong-credentials' });
  }
  return ok(await begin(deps, person.id));
}

/** One click in the demo: only for the people the demo offers. The caller has made sure that this is the demo. */
export async function signInAsDemoPerson(
  deps: Deps,
  person: PersonId,
): Promise<Result<{ token: string; maxAgeSeconds: number }, { code: 'not-offered' }>> {
  if (!(await isDemoPerson(deps.db, person))) return fail({ code: 'not-offered' });
  return ok(await begin(deps, person));
}

export const findSession = (db: Deps['db'], token: string) => sessionByToken(db, hashToken(token));

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
  session: { person: PersonId; lastSeen: Instant | null; previousVisit: Instant | null },
): Promise<Instant | null> {
  const { person, lastSeen, previousVisit } = session;
  const away = lastSeen === null ? Infinity : Math.abs(deps.now - lastSeen);
  if (away < SEEN_EVERY_MS) return previousVisit;
  const previous = away > VISIT_GAP_MS ? lastSeen : previousVisit;
  await recordVisit(deps.db, person, deps.now, previous);
  return previous;
}

export const signOut = (db: Deps['db'], token: string) => closeSession(db, hashToken(token));
