import { z } from 'zod';
import { chooseTheme } from '@/server/sessions/theme';
import { visitor } from '../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../_request/write';

const form = z.object({ theme: z.enum(['system', 'light', 'dark']), to: z.string().max(500).default('/') });

export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await visitor();
  if (!who) return seeOther('/sign-in');
  const read = form.safeParse(Object.fromEntries(await bodyFields(request)));
  if (!read.success) return seeOther('/');
  await chooseTheme(who.deps, who.actor, read.data.theme);
  return seeOther(read.data.to);
}
