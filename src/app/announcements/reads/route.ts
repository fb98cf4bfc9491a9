import { z } from 'zod';
import { readAnnouncements } from '@/server/courses/announcements';
import { visitor } from '../../_request/session';
import { fromOwnPages, jsonBody } from '../../_request/write';

const input = z.strictObject({ ids: z.array(z.uuid()).min(1).max(50) });

/** Notes that announcements were read. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const read = input.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
  await readAnnouncements(who.deps, who.actor, read.data.ids);
  return Response.json({ ok: true });
}
