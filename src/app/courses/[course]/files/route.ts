import { beginSchema, beginUpload } from '@/server/files/receive';
import { visitor, withFiles } from '../../../_request/session';
import { jsonBody, said, scripted } from '../../../_request/write';

type Context = { params: Promise<{ course: string }> };

/** Begins to take a file. */
export const POST = (request: Request, { params }: Context) =>
  scripted(request, visitor, async (who) => {
    const read = beginSchema.safeParse(await jsonBody(request));
    if (!read.success) return said({ ok: false, failure: { code: 'empty-file' } });
    return said(await beginUpload(withFiles(who.deps), who.actor, (await params).course, read.data));
  });
