import { z } from 'zod';
import { LIMITS, parseDocument } from '@/core/posts/document';
import { docxOf } from '@/server/formats/to-docx';
import { visitor } from '../../_request/session';
import { fromOwnPages, jsonBody } from '../../_request/write';

const input = z.object({ title: z.string().max(LIMITS.titleLength), doc: z.unknown() });
const TYPE = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';

/** A text as it stands in the editor, as a Word document. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  if (!(await visitor())) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const read = input.safeParse(await jsonBody(request));
  const doc = read.success ? parseDocument(read.data.doc) : null;
  if (!read.success || !doc?.ok)
    return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
  const file = await docxOf(read.data.title, doc.value);
  return new Response(new Uint8Array(file), {
    headers: { 'content-type': TYPE, 'content-disposition': 'attachment; filename="text.docx"' },
  });
}
