import { z } from 'zod';
import { chooseSpelling } from '@/server/proofread/proofreading';
import { visitor } from '../../_request/session';
import { fromOwnPages, jsonBody } from '../../_request/write';

const form = z.object({ spelling: z.enum(['en-GB', 'en-US']) });

/** Which English a person writes. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const read = form.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ ok: false, code: 'no-such-spelling' }, { status: 422 });
  await chooseSpelling(who.deps, who.actor, read.data.spelling);
  return Response.json({ ok: true });
}
