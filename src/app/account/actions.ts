'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { accountAt, signInAt } from '@/contract/addresses';
import {
  addressSchema,
  askForAddress,
  changePassword,
  changeSelf,
  endOwnAccount,
  selfSchema,
} from '@/server/people/account';
import { joinByCode } from '@/server/people/join';
import type { Told } from '@/ui/people/told';
import { acting } from '../_request/acting';
import { comingFrom, proofOf, takeSessionCookie } from '../_request/session';
import { readTold } from '../_request/told';

const done = (answer: string) => redirect(accountAt({ answer }));

/** Keeps who one is here. */
export async function keepSelf(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(selfSchema, form);
  if (!read.ok) return read.told;
  await changeSelf(who.deps, who.actor, read.value);
  return done('kept');
}

/** Changes the own password. */
export async function changeOwnPassword(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(
    z.object({ password: z.string().max(1_000).default(''), nextPassword: z.string().max(1_000) }),
    form,
  );
  if (!read.ok) return read.told;
  const changed = await changePassword(who.deps, who.actor, {
    ...(await proofOf(who, read.value.password)),
    next: read.value.nextPassword,
    session: who.session,
  });
  if (!changed.ok) return { fields: {}, problem: changed.failure };
  return done('password-changed');
}

/** Asks for another mail address. */
export async function newAddress(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(addressSchema, form);
  if (!read.ok) return read.told;
  const { email, password } = read.value;
  const asked = await askForAddress(who.deps, who.actor, { ...(await proofOf(who, password)), email });
  if (!asked.ok) return { fields: read.back, problem: asked.failure };
  return done('address-asked');
}

/** Ends the own account. */
export async function endOwn(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(z.object({ password: z.string().max(1_000).default('') }), form);
  if (!read.ok) return read.told;
  const ended = await endOwnAccount(who.deps, who.actor, await proofOf(who, read.value.password));
  if (!ended.ok) return { fields: {}, problem: ended.failure };
  await takeSessionCookie();
  return redirect(signInAt({ done: 'ended' }));
}

/** Into a course by its code. */
export async function joinCourse(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(z.object({ code: z.string().min(1).max(60) }), form);
  if (!read.ok) return read.told;
  const { network } = await comingFrom();
  const joined = await joinByCode(who.deps, who.actor, read.value.code, network);
  if (!joined.ok) return { fields: read.back, problem: joined.failure };
  return done(joined.value.code);
}
