import { z } from 'zod';
import { LIMITS, parseDocument } from '@/core/posts/document';
import { FORMATS, takeOut, type Format } from '@/server/formats/take-out';
import { visitor, withFiles } from '../../_request/session';
import { originOf } from '../../_request/origin';
import { fromOwnPages, jsonBody } from '../../_request/write';

const input = z.object({ title: z.string().max(LIMITS.titleLength), doc: z.unknown() });
const format = z.enum(Object.keys(FORMATS) as [Format, ...Format[]]);

/** A text as it stands in the editor, as a file of this format. */
export async function POST(request: Request, { params }: { params: Promise<{ format: string }> }) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const wanted = format.safeParse((await params).format);
  if (!wanted.success) return Response.json({ ok: false, code: 'not-found' }, { status: 404 });
  const read = input.safeParse(await jsonBody(request));
  const doc = read.success ? parseDocument(read.data.doc) : null;
  if (!read.success || !doc?.ok)
    return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
  const text = { title: read.data.title, doc: doc.value };
  const file = await takeOut(withFiles(who.deps), who.actor, wanted.data, text, originOf(request.headers));
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': FORMATS[wanted.data],
      'content-disposition': `attachment; filename="text.${wanted.data}"`,
      'content-security-policy': "default-src 'none'; sandbox",
    },
  });
}
