'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { accountAt, secondFactorAt } from '@/contract/addresses';
import {
  beginSecondFactor,
  confirmOwnFactor,
  endSecondFactor,
  renewRecoveryCodes,
} from '@/server/ways-in/second-factor';
import type { TellingCodes } from '@/ui/account/told-codes';
import type { Told } from '@/ui/people/told';
import { acting } from '../../_request/acting';
import { comingFrom, proofOf, withBox, withTime } from '../../_request/session';
import { readTold } from '../../_request/told';

const proofSchema = z.object({ password: z.string().max(1_000).default('') });

/** Proposes a second factor, and goes to the page where it is set up. */
export async function beginSecond(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(proofSchema, form);
  if (!read.ok) return read.told;
  const begun = await beginSecondFactor(
    withBox(who.deps),
    who.actor,
    await proofOf(who, read.value.password),
  );
  if (!begun.ok) return { fields: {}, problem: begun.failure };
  return redirect(secondFactorAt());
}

/** A code of it was shown: from now on it is asked for. */
export async function confirmSecond(before: TellingCodes, form: FormData): Promise<TellingCodes> {
  const who = await acting('keep oneself', secondFactorAt());
  const read = readTold(z.object({ code: z.string().max(60) }), form);
  if (!read.ok) return { told: read.told, codes: null };
  const { network } = await comingFrom();
  const done = await confirmOwnFactor(withTime(who.deps), who.actor, { code: read.value.code, network });
  return done.ok
    ? { told: { fields: {}, problem: null }, codes: done.value.codes }
    : { told: { fields: {}, problem: done.failure }, codes: null };
}

/** New recovery codes. */
export async function renewCodes(before: TellingCodes, form: FormData): Promise<TellingCodes> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(proofSchema, form);
  if (!read.ok) return { told: read.told, codes: null };
  const done = await renewRecoveryCodes(who.deps, who.actor, await proofOf(who, read.value.password));
  return done.ok
    ? { told: { fields: {}, problem: null }, codes: done.value.codes }
    : { told: { fields: {}, problem: done.failure }, codes: null };
}

/** No second factor any more. */
export async function endSecond(before: Told, form: FormData): Promise<Told> {
  const who = await acting('keep oneself', accountAt());
  const read = readTold(proofSchema, form);
  if (!read.ok) return read.told;
  const ended = await endSecondFactor(who.deps, who.actor, await proofOf(who, read.value.password));
  if (!ended.ok) return { fields: {}, problem: ended.failure };
  return redirect(accountAt({ answer: 'second-off' }));
}
