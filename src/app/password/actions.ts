'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { forgottenAt, signInAt } from '@/contract/addresses';
import { mailAddressSchema } from '@/core/people/naming';
import { askForPassword, resetPassword } from '@/server/people/reset';
import type { Told } from '@/ui/people/told';
import { comingFrom, handedKey, handKey, strangerDeps } from '../_request/session';
import { readTold } from '../_request/told';

/** Asks for a link to a new password. What is answered is the same, whoever's the address is. */
export async function askForLink(before: Told, form: FormData): Promise<Told> {
  const read = readTold(z.object({ email: mailAddressSchema }), form);
  if (!read.ok) return read.told;
  const { network } = await comingFrom();
  await askForPassword(await strangerDeps(), read.value.email, network);
  redirect(forgottenAt({ asked: '1' }));
}

/** Chooses a new password by the link out of a mail. */
export async function choosePassword(before: Told, form: FormData): Promise<Told> {
  const read = readTold(z.object({ password: z.string().max(1_000) }), form);
  if (!read.ok) return read.told;
  const done = await resetPassword(
    await strangerDeps(),
    (await handedKey('password')) ?? '',
    read.value.password,
  );
  if (!done.ok) return { fields: {}, problem: done.failure };
  await handKey('password', null);
  redirect(signInAt({ done: 'password' }));
}
