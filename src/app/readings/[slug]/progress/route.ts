import { noteReading, readingProgressSchema } from '@/server/courses/readings';
import { visitor } from '../../../_request/session';
import { fromOwnPages, jsonBody } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Notes time spent on a reading, and whether it is read. */
export async function POST(request: Request, context: Context) {
  const { slug } = await context.params;
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const read = readingProgressSchema.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
  const noted = await noteReading(who.deps, who.actor, slug, read.data);
  return noted.ok
    ? Response.json({ ok: true })
    : Response.json({ ok: false, code: noted.failure.code }, { status: 404 });
}
