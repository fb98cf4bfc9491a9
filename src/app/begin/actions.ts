'use server';

import { redirect } from 'next/navigation';
import { stewardsAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { beginCollege, firstRunSchema } from '@/server/people/first-run';
import type { Told } from '@/ui/people/told';
import { comingFrom, handedKey, handKey, setSessionCookie, strangerDeps } from '../_request/session';
import { readTold } from '../_request/told';

/** Makes the first steward and signs them in, or gives the form back. */
export async function begin(before: Told, form: FormData): Promise<Told> {
  const read = readTold(firstRunSchema, form);
  if (!read.ok) return read.told;
  const key = (await handedKey('first-run')) ?? '';
  const { agent } = await comingFrom();
  const done = await beginCollege(await strangerDeps(), key, read.value, { demo: app().config.demo, agent });
  if (!done.ok) return { fields: read.back, problem: done.failure };
  await handKey('first-run', null);
  await setSessionCookie(done.value.token, done.value.maxAgeSeconds);
  redirect(stewardsAt());
}
