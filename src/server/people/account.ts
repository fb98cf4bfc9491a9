import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { AccountPage } from '@/contract/account';
import { pictureAt } from '@/contract/addresses';
import { instant } from '@/core/ids';
import { DAYS_TO_REGRET, mailAddressSchema, personNameSchema } from '@/core/people/naming';
import { fail, ok, type Result } from '@/core/result';
import {
  account,
  accountByAddress,
  endAccount,
  heldStewards,
  setAddress,
  setPassword,
  setSelf,
} from '@/db/queries/accounts';
import { enrolmentsOf } from '@/db/queries/enrolments';
import { askedToJoin } from '@/db/queries/hosted-courses';
import { postMail } from '@/db/queries/mails';
import { passkeysOf } from '@/db/queries/passkeys';
import { endSessions, sessionsOf } from '@/db/queries/sessions';
import { hasSubject } from '@/db/queries/sign-on';
import type { Actor, Deps } from '../deps';
import { browserOf } from './browser';
import { hold, type KeyFailure } from './keys';
import { newPassword, type PasswordFailure } from './password';
import { proven, type Denied, type Proof } from '../ways-in/proof';
import { secondFactorState } from '../ways-in/second-factor';
import { zoneChanged } from '../notices/rules';
import { timeZoneSchema } from './time-zone';

/** The own account: who one is here, where one is signed in, and which courses one is in. */
export async function accountPage(deps: Deps, actor: Actor, session: string): Promise<AccountPage> {
  const [self, devices, courses, asked, second, passkeys, signOn] = await Promise.all([
    account(deps.db, actor.id),
    sessionsOf(deps.db, actor.id, deps.now),
    enrolmentsOf(deps.db, actor.id),
    askedToJoin(deps.db, actor.id),
    secondFactorState(deps.db, actor.id),
    passkeysOf(deps.db, actor.id),
    hasSubject(deps.db, actor.id),
  ]);
  if (!self) throw new Error('whoever is signed in has an account');
  const { name, saidAs, email, timeZone, theme, spelling, clock, weekBegins, picture, hasPassword, demo } =
    self;
  return {
    name,
    saidAs,
    email,
    timeZone,
    theme,
    spelling,
    clock,
    weekBegins,
    picture: picture && pictureAt(actor.id, { v: picture }),
    hasPassword,
    demo,
    second,
    passkeys: passkeys.map(({ id, name: called, made, used }) => ({ id, name: called, made, used })),
    signOn,
    devices: devices.map(({ id, agent, started, seen, hash }) => ({
      id,
      browser: browserOf(agent),
      started,
      seen,
      here: hash === session,
    })),
    courses: courses,
    asked,
  };
}

export const selfSchema = z.object({
  name: personNameSchema,
  saidAs: z.union([z.literal(''), personNameSchema]),
  timeZone: timeZoneSchema,
  spelling: z.enum(['en-GB', 'en-US']),
  theme: z.enum(['system', 'light', 'dark']),
  clock: z.enum(['12', '24']),
  weekBegins: z.coerce.number().int().min(1).max(7),
});

export const changeSelf = (deps: Deps, actor: Actor, self: z.output<typeof selfSchema>) =>
  deps.db.transaction(async (tx) => {
    await setSelf(tx, actor.id, self);
    // Their quiet hours are by another clock now.
    if (self.timeZone !== actor.timeZone) await zoneChanged(deps, tx, actor.id, self.timeZone);
  });

/** Changes the own password; wherever else one is signed in, one is signed out. */
export async function changePassword(
  deps: Deps,
  actor: Actor,
  given: Proof & { next: string; session: string },
): Promise<Result<null, Denied | PasswordFailure>> {
  const may = await proven(deps, actor, given);
  if (!may.ok) return may;
  return deps.db.transaction(async (tx) => {
    const self = await account(tx, actor.id);
    if (!self) throw new Error('whoever is signed in has an account');
    const hash = await newPassword(tx, given.next, self);
    if (!hash.ok) return hash;
    await setPassword(tx, actor.id, hash.value);
    await endSessions(tx, actor.id, { allBut: given.session });
    await postMail(tx, {
      id: randomUUID(),
      kind: 'password-changed',
      to: self.email,
      about: { person: actor.id },
      now: deps.now,
    });
    return ok(null);
  });
}

export const addressSchema = z.object({
  email: mailAddressSchema,
  password: z.string().max(1_000).default(''),
});

/** Asks for another mail address: a link goes to the new one, and only that changes anything. */
export async function askForAddress(
  deps: Deps,
  actor: Actor,
  given: Proof & { email: string },
): Promise<Result<null, Denied>> {
  const may = await proven(deps, actor, given);
  if (!may.ok) return may;
  await deps.db.transaction((tx) =>
    postMail(tx, {
      id: randomUUID(),
      kind: 'address',
      to: given.email,
      about: { person: actor.id },
      now: deps.now,
    }),
  );
  return ok(null);
}

/** The new address is theirs who opened the link: it takes the place of the old one, which is told. */
export async function confirmAddress(
  deps: Deps,
  key: string,
): Promise<Result<{ email: string }, KeyFailure | { code: 'address-taken' }>> {
  return deps.db.transaction(async (tx) => {
    const held = await hold(tx, deps.now, key, 'address');
    if (!held.ok) return held;
    const { person, address, spend } = held.value;
    const self = person && (await account(tx, person));
    if (!self || self.ended || !address) return fail({ code: 'key-unknown' as const });
    const other = await accountByAddress(tx, address);
    if (other && other.id !== self.id) return fail({ code: 'address-taken' as const });
    await setAddress(tx, self.id, address);
    await spend();
    await postMail(tx, {
      id: randomUUID(),
      kind: 'address-changed',
      to: self.email,
      about: { person: self.id },
      now: deps.now,
    });
    return ok({ email: address });
  });
}

/** Signs out one place where one is signed in, or every other. */
export const signOutThere = (deps: Deps, actor: Actor, which: { id: string } | { allBut: string }) =>
  endSessions(deps.db, actor.id, which);

/** Ends the own account: nobody signs in with it any more. After some days it is forgotten. The last steward stays. */
export async function endOwnAccount(
  deps: Deps,
  actor: Actor,
  given: Proof,
): Promise<Result<null, Denied | { code: 'last-steward' }>> {
  const may = await proven(deps, actor, given);
  if (!may.ok) return may;
  return deps.db.transaction(async (tx) => {
    const stewards = await heldStewards(tx);
    if (stewards.length === 1 && stewards[0] === actor.id) return fail({ code: 'last-steward' as const });
    await endAccount(tx, actor.id, deps.now, instant(deps.now + DAYS_TO_REGRET * 86_400_000));
    await endSessions(tx, actor.id, 'all');
    return ok(null);
  });
}
