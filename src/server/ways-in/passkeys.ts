import { randomUUID } from 'node:crypto';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { NewPasskey, PasskeyAnswer, PasskeyAsked, PasskeyMade } from '@/contract/ways-in';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { account, type AccountRecord } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import { postMail } from '@/db/queries/mails';
import {
  deletePasskey,
  insertPasskey,
  notePasskeyUsed,
  passkeyById,
  passkeysOf,
} from '@/db/queries/passkeys';
import { hasSubject } from '@/db/queries/sign-on';
import type { Actor, Deps } from '../deps';
import { letIn, takeEntryTry, type Coming, type Entry } from '../sessions/sessions';
import { beginHalfWay, finishHalfWay } from './half-way';
import { proven, type Denied, type Proof } from './proof';

/** The address people reach Pulpit under: a passkey is good for this one alone (Web Authentication, 5.1). */
export type Site = { origin: string };
const hostOf = ({ origin }: Site) => new URL(origin).hostname;

/** So many are enough for every device somebody has. */
const MOST_PASSKEYS = 20;
const TRANSPORTS = new Set(['ble', 'cable', 'hybrid', 'internal', 'nfc', 'smart-card', 'usb']);

const tell = (db: Db, deps: Deps, kind: string, self: AccountRecord, name: string) =>
  postMail(db, { id: randomUUID(), kind, to: self.email, about: { person: self.id, name }, now: deps.now });

/** What a browser is asked for to make a passkey; the token is for this browser. */
export async function askForNewPasskey(
  deps: Deps,
  actor: Actor,
  site: Site,
  proof: Proof,
): Promise<Result<{ token: string; options: NewPasskey }, Denied | { code: 'too-many' }>> {
  const self = await proven(deps, actor, proof);
  if (!self.ok) return self;
  const [home, there] = await Promise.all([college(deps.db), passkeysOf(deps.db, actor.id)]);
  if (there.length >= MOST_PASSKEYS) return fail({ code: 'too-many' });
  const options = await generateRegistrationOptions({
    rpName: home?.name ?? 'Pulpit',
    rpID: hostOf(site),
    userID: new Uint8Array(Buffer.from(actor.id.replace(/-/gu, ''), 'hex')),
    userName: self.value.email,
    userDisplayName: self.value.name,
    excludeCredentials: there.map((k) => ({ id: k.id, transports: k.transports })),
    // It signs somebody in by itself: it knows whose it is, and makes sure that it is they.
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  const token = await beginHalfWay(deps, 'new-passkey', actor.id, { challenge: options.challenge });
  return ok({ token, options });
}

/** Keeps a passkey that a browser has made for what was asked. */
export async function keepPasskey(
  deps: Deps,
  actor: Actor,
  site: Site,
  token: string | null,
  made: { name: string; response: PasskeyMade },
): Promise<Result<null, { code: 'over' } | { code: 'not-taken' } | { code: 'there-already' }>> {
  const asked = await finishHalfWay(deps, 'new-passkey', token);
  if (!asked || asked.person !== actor.id) return fail({ code: 'over' });
  const read = await verifyRegistrationResponse({
    response: made.response,
    expectedChallenge: asked.expected.challenge ?? '',
    expectedOrigin: site.origin,
    expectedRPID: hostOf(site),
    requireUserVerification: true,
  }).catch(() => null);
  if (!read?.verified) return fail({ code: 'not-taken' });
  const { id, publicKey, counter, transports = [] } = read.registrationInfo.credential;
  const self = await account(deps.db, actor.id);
  if (!self) throw new Error('whoever is signed in has an account');
  return deps.db.transaction(async (tx) => {
    const kept = await insertPasskey(tx, {
      id,
      person: actor.id,
      publicKey: Buffer.from(publicKey),
      counter,
      transports: transports.filter((t) => TRANSPORTS.has(t)),
      name: made.name,
      made: deps.now,
    });
    if (!kept) return fail({ code: 'there-already' as const });
    await tell(tx, deps, 'passkey-made', self, made.name);
    return ok(null);
  });
}

/** Takes a passkey away, unless it is the only way in. */
export async function dropPasskey(
  deps: Deps,
  actor: Actor,
  id: string,
): Promise<Result<null, { code: 'not-found' } | { code: 'last-way' }>> {
  return deps.db.transaction(async (tx) => {
    const self = await account(tx, actor.id);
    const all = await passkeysOf(tx, actor.id);
    const key = all.find((k) => k.id === id);
    if (!self || !key) return fail({ code: 'not-found' as const });
    if (all.length === 1 && !self.hasPassword && !(await hasSubject(tx, actor.id)))
      return fail({ code: 'last-way' as const });
    await deletePasskey(tx, actor.id, id);
    await tell(tx, deps, 'passkey-gone', self, key.name);
    return ok(null);
  });
}

/** What a browser is asked for to sign somebody in: any passkey that is good for here. Nobody is named. */
export async function askForPasskey(
  deps: Deps,
  site: Site,
): Promise<{ token: string; options: PasskeyAsked }> {
  const options = await generateAuthenticationOptions({
    rpID: hostOf(site),
    userVerification: 'required',
  });
  return { token: await beginHalfWay(deps, 'passkey', null, { challenge: options.challenge }), options };
}

async function verified(
  site: Site,
  challenge: string,
  response: PasskeyAnswer,
  key: Awaited<ReturnType<typeof passkeyById>>,
): Promise<{ counter: number } | null> {
  if (!key) return null;
  const read = await verifyAuthenticationResponse({
    response,
    expectedChallenge: challenge,
    expectedOrigin: site.origin,
    expectedRPID: hostOf(site),
    requireUserVerification: true,
    credential: { id: key.id, publicKey: new Uint8Array(key.publicKey), counter: key.counter },
  }).catch(() => null);
  return read?.verified ? { counter: read.authenticationInfo.newCounter } : null;
}

/** The handle a passkey says it is of, as it was given to it. */
const isOf = (handle: string | undefined, person: PersonId) =>
  handle === undefined || Buffer.from(handle, 'base64url').toString('hex') === person.replace(/-/gu, '');

export type PasskeyFailure = { code: 'over' } | { code: 'not-taken' } | { code: 'too-many-tries' };

/** Signs somebody in by a passkey: it is something they have and something they are or know, so nothing else is asked. */
export async function signInByPasskey(
  deps: Deps,
  site: Site,
  token: string | null,
  response: PasskeyAnswer,
  from: Coming,
): Promise<Result<Entry, PasskeyFailure>> {
  const asked = await finishHalfWay(deps, 'passkey', token);
  if (!asked) return fail({ code: 'over' });
  const key = await passkeyById(deps.db, response.id);
  const forget = await takeEntryTry(deps, key?.person ?? null, { ...from, about: `passkey ${response.id}` });
  if (!forget) return fail({ code: 'too-many-tries' });
  const right = await verified(site, asked.expected.challenge ?? '', response, key);
  if (!key || !right || !isOf(response.response.userHandle, key.person)) return fail({ code: 'not-taken' });
  const self = await account(deps.db, key.person);
  if (!self || self.ended !== null) return fail({ code: 'not-taken' });
  await forget();
  await notePasskeyUsed(deps.db, key.id, right.counter, deps.now);
  return ok(await letIn(deps, key.person, from));
}
