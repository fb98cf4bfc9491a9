'use server';

import { redirect } from 'next/navigation';
import { confirmAddressAt } from '@/contract/addresses';
import { confirmAddress } from '@/server/people/account';
import { handedKey, handKey, strangerDeps } from '../../_request/session';

/** Confirms a new mail address by the link that went to it. */
export async function confirmOwnAddress(): Promise<void> {
  const done = await confirmAddress(await strangerDeps(), (await handedKey('address')) ?? '');
  await handKey('address', null);
  redirect(confirmAddressAt(done.ok ? { done: '1' } : { problem: done.failure.code }));
}
