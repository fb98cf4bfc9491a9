'use server';

import { redirect } from 'next/navigation';
import { signInAt, weekAt } from '@/contract/addresses';
import { acceptingSchema, acceptInvitation, lookAtInvitation } from '@/server/people/accept';
import type { Told } from '@/ui/people/told';
import { comingFrom, handedKey, handKey, setSessionCookie, strangerDeps } from '../_request/session';
import { readTold } from '../_request/told';

/** Accepts an invitation, or gives the form back. Whoever has an account already signs in as ever. */
export async function accept(before: Told, form: FormData): Promise<Told> {
  const key = (await handedKey('invitation')) ?? '';
  const deps = await strangerDeps();
  const looked = await lookAtInvitation(deps, key);
  // Whoever has an account is asked for neither a name nor a password.
  if (looked.ok && looked.value.account) {
    form.set('name', looked.value.name || looked.value.email.slice(0, 200));
    form.set('password', '');
  }
  const read = readTold(acceptingSchema, form);
  if (!read.ok) return read.told;
  const { agent } = await comingFrom();
  const done = await acceptInvitation(deps, key, read.value, agent);
  if (!done.ok) return { fields: read.back, problem: done.failure };
  await handKey('invitation', null);
  if (done.value === null) redirect(signInAt({ done: 'accepted' }));
  await setSessionCookie(done.value.token, done.value.maxAgeSeconds);
  redirect(weekAt());
}
