import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { account } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import { postMail } from '@/db/queries/mails';
import {
  confirmSecondFactor,
  dropSecondFactor,
  hasSecondFactor,
  proposeSecondFactor,
  recoveryCodesLeft,
  replaceRecoveryCodes,
  secondFactorOf,
  takeRecoveryCode,
  takeStep,
} from '@/db/queries/second-factors';
import type { Actor, Deps } from '../deps';
import type { Box } from '../secrets/box';
import { mayTry } from '../sessions/tries';
import {
  authenticatorAddress,
  looksLikeRecovery,
  newRecoveryCodes,
  newSecret,
  recoveryHash,
  stepOf,
} from './codes';
import { proven, type Denied, type Proof } from './proof';

type Sealing = Deps & { box: Box };
/** Codes go by the clock on the wall, whatever a demo's clock shows. */
type Timed = Sealing & { real: number };

const tell = (db: Db, deps: Deps, kind: string, self: { id: PersonId; email: string }, more: object = {}) =>
  postMail(db, {
    id: randomUUID(),
    kind,
    to: self.email,
    about: { person: self.id, ...more },
    now: deps.now,
  });

/** How an own second factor stands. */
export async function secondFactorState(
  db: Db,
  person: PersonId,
): Promise<{ on: boolean; codesLeft: number }> {
  const [on, codesLeft] = await Promise.all([hasSecondFactor(db, person), recoveryCodesLeft(db, person)]);
  return { on, codesLeft };
}

/** Proposes a second factor: it is asked for once a code of it was shown. */
export async function beginSecondFactor(
  deps: Sealing,
  actor: Actor,
  proof: Proof,
): Promise<Result<null, Denied | { code: 'on-already' }>> {
  const self = await proven(deps, actor, proof);
  if (!self.ok) return self;
  if (await hasSecondFactor(deps.db, actor.id)) return fail({ code: 'on-already' });
  const sealed = deps.box.seal('second factor', actor.id, newSecret());
  await proposeSecondFactor(deps.db, actor.id, sealed, deps.now);
  return ok(null);
}

/** What an authenticator is given, for as long as it is only proposed. */
export async function proposedSecondFactor(
  deps: Sealing,
  actor: Actor,
): Promise<{ secret: string; address: string } | null> {
  const [factor, self, home] = await Promise.all([
    secondFactorOf(deps.db, actor.id),
    account(deps.db, actor.id),
    college(deps.db),
  ]);
  if (!factor || factor.confirmed || !self) return null;
  const secret = deps.box.open('second factor', actor.id, factor.sealedSecret);
  return secret === null
    ? null
    : { secret, address: authenticatorAddress(secret, home?.name ?? 'Pulpit', self.email) };
}

/** Whether a code is right now and was not taken before; taken with it. */
async function takeCode(deps: Timed, tx: Db, person: PersonId, code: string): Promise<boolean> {
  const factor = await secondFactorOf(tx, person);
  const secret = factor && deps.box.open('second factor', person, factor.sealedSecret);
  const step = secret ? stepOf(secret, code, deps.real) : null;
  return step !== null && takeStep(tx, person, step);
}

async function giveCodes(tx: Db, person: PersonId): Promise<string[]> {
  const codes = newRecoveryCodes();
  await replaceRecoveryCodes(tx, person, codes.map(recoveryHash));
  return codes;
}

export type Confirming = Result<
  { codes: string[] },
  { code: 'wrong-code' } | { code: 'too-many-tries' } | { code: 'not-found' }
>;

/** A code of the proposed factor was shown: it is asked for from now on. The recovery codes are told once. */
export async function confirmOwnFactor(
  deps: Timed,
  actor: Actor,
  given: { code: string; network: string | null },
): Promise<Confirming> {
  if (!(await mayTry(deps, 'second', { about: actor.id, network: given.network })))
    return fail({ code: 'too-many-tries' });
  return deps.db.transaction(async (tx) => {
    const [factor, self] = [await secondFactorOf(tx, actor.id), await account(tx, actor.id)];
    if (!factor || factor.confirmed || !self) return fail({ code: 'not-found' as const });
    if (!(await takeCode(deps, tx, actor.id, given.code))) return fail({ code: 'wrong-code' as const });
    await confirmSecondFactor(tx, actor.id, deps.now);
    await tell(tx, deps, 'second-factor-on', self);
    return ok({ codes: await giveCodes(tx, actor.id) });
  });
}

/** New recovery codes in place of the old ones. */
export async function renewRecoveryCodes(
  deps: Deps,
  actor: Actor,
  proof: Proof,
): Promise<Result<{ codes: string[] }, Denied | { code: 'not-found' }>> {
  const self = await proven(deps, actor, proof);
  if (!self.ok) return self;
  if (!(await hasSecondFactor(deps.db, actor.id))) return fail({ code: 'not-found' });
  return ok({ codes: await deps.db.transaction((tx) => giveCodes(tx, actor.id)) });
}

/** No second factor is asked for any more. */
export async function endSecondFactor(deps: Deps, actor: Actor, proof: Proof): Promise<Result<null, Denied>> {
  const self = await proven(deps, actor, proof);
  if (!self.ok) return self;
  await deps.db.transaction((tx) => takeSecondFactorAway(deps, tx, self.value));
  return ok(null);
}

/** Takes somebody's second factor away, and tells them by mail; says whether there was one. */
export async function takeSecondFactorAway(
  deps: Deps,
  tx: Db,
  self: { id: PersonId; email: string },
): Promise<boolean> {
  if (!(await dropSecondFactor(tx, self.id))) return false;
  await tell(tx, deps, 'second-factor-off', self);
  return true;
}

/** Whether what somebody shows is their second factor: a code of now, or a recovery code that was not used. It is taken with this. */
export async function takeSecond(deps: Timed, tx: Db, person: PersonId, shown: string): Promise<boolean> {
  if (!looksLikeRecovery(shown)) return takeCode(deps, tx, person, shown);
  if (!(await takeRecoveryCode(tx, person, recoveryHash(shown), deps.now))) return false;
  const self = await account(tx, person);
  const left = await recoveryCodesLeft(tx, person);
  if (self) await tell(tx, deps, 'recovery-code-used', self, { left });
  return true;
}
