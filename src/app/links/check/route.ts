import { z } from 'zod';
import { asking } from '@/server/links/allowance';
import { checkLink } from '@/server/links/check';
import { visitor } from '../../_request/session';
import { fromOwnPages, jsonBody } from '../../_request/write';

const asked = z.object({ links: z.array(z.string().max(2_000)).max(20) });

/** Whether links lead anywhere; each is asked for some seconds at most, all at once. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const read = asked.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ ok: false, code: 'too-many-links' }, { status: 422 });
  const { links } = read.data;
  const told = await asking(who.actor.id, links.length, performance.now(), () =>
    Promise.all(links.map((link) => checkLink(link))),
  );
  return told ? Response.json(told) : Response.json({ ok: false, code: 'too-many-links' }, { status: 429 });
}
