import { z } from 'zod';
import { instant } from '@/core/ids';
import { app } from '@/runtime/app';
import { moveClock } from '@/server/clock/clock';
import { visitor } from '../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../_request/write';

const YEAR_MS = 366 * 86_400_000;
const form = z.object({
  by: z.coerce.number().int().min(-YEAR_MS).max(YEAR_MS),
  to: z.string().max(500).default('/'),
});

/** Moves the demo's clock; there is no such thing outside the demo. */
export async function POST(request: Request) {
  const { config, clock, db } = app();
  if (!config.demo) return new Response('Not found.\n', { status: 404 });
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await visitor();
  if (!who) return seeOther('/sign-in');
  const read = form.safeParse(Object.fromEntries(await bodyFields(request)));
  if (!read.success) return seeOther('/');
  await moveClock(db, clock, instant(who.deps.now + read.data.by));
  return seeOther(read.data.to);
}
