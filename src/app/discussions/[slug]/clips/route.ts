import { z } from 'zod';
import { beginClip, unfinished } from '@/server/clips/record';
import { visitor, withFiles } from '../../../_request/session';
import { fromOwnPages, jsonBody, unexpected } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };
const input = z.strictObject({ video: z.boolean() });

/** Begins to take a recording; its pieces follow while it is made. */
export async function POST(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = input.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
    const begun = await beginClip(withFiles(who.deps), who.actor, (await params).slug, read.data);
    return begun.ok
      ? Response.json({ ok: true, ...begun.value })
      : Response.json(
          { ok: false, ...begun.failure },
          { status: begun.failure.code === 'not-found' ? 404 : 422 },
        );
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}

/** One's recordings that were never finished. */
export async function GET(_request: Request, { params }: Context) {
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const found = await unfinished(withFiles(who.deps), who.actor, (await params).slug);
  return found.ok
    ? Response.json({ ok: true, clips: found.value })
    : Response.json({ ok: false, code: 'not-found' }, { status: 404 });
}
