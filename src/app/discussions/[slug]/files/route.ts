import { beginSchema, beginUpload } from '@/server/files/receive';
import { visitor, withFiles } from '../../../_request/session';
import { fromOwnPages, jsonBody, unexpected } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Begins to take a file. */
export async function POST(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = beginSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'empty-file' }, { status: 422 });
    const { slug } = await params;
    const begun = await beginUpload(withFiles(who.deps), who.actor, slug, read.data);
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
