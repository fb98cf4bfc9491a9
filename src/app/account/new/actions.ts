'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { aloneAt } from '@/contract/addresses';
import { mailAddressSchema } from '@/core/people/naming';
import { askForOwnAccount } from '@/server/people/alone';
import type { Told } from '@/ui/people/told';
import { comingFrom, strangerDeps } from '../../_request/session';
import { readTold } from '../../_request/told';

/** Asks for an account for oneself. What is answered is the same, whoever's the address is. */
export async function askForAccount(before: Told, form: FormData): Promise<Told> {
  const read = readTold(z.object({ email: mailAddressSchema }), form);
  if (!read.ok) return read.told;
  const { network } = await comingFrom();
  await askForOwnAccount(await strangerDeps(), read.value.email, network);
  redirect(aloneAt({ asked: '1' }));
}
