import { visibleClip } from '@/server/clips/look';
import { finishClip, finishSchema } from '@/server/clips/record';
import { visitor, withFiles } from '../../../_request/session';
import { fromOwnPages, jsonBody, unexpected } from '../../../_request/write';

type Context = { params: Promise<{ id: string }> };

/** How far a clip is, for those who may see it. */
export async function GET(_request: Request, { params }: Context) {
  const who = await visitor();
  const found = who ? await visibleClip(withFiles(who.deps), who.actor, (await params).id) : null;
  if (!found?.ok) return Response.json({ ok: false, code: 'not-found' }, { status: 404 });
  const { state, ms, captions, poster } = found.value;
  return Response.json(
    { ok: true, state, ms, captions: captions !== null, poster: poster !== null },
    { headers: { 'cache-control': 'private, no-store' } },
  );
}

/** One's recording is over: what it is called, which stretch is meant, what is said in it. */
export async function POST(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = finishSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
    const done = await finishClip(withFiles(who.deps), who.actor, (await params).id, read.data);
    return done.ok
      ? Response.json({ ok: true, file: done.value })
      : Response.json(
          { ok: false, ...done.failure },
          { status: done.failure.code === 'not-found' ? 404 : 422 },
        );
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
