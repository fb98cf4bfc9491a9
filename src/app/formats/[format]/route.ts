import { takingOut } from '@/contract/files';
import { parseDocument } from '@/core/document/document';
import { fail } from '@/core/result';
import { FORMATS, isFormat, takeOut } from '@/server/formats/take-out';
import { json } from '../../_request/endpoint';
import { originOf } from '../../_request/origin';
import { withFiles } from '../../_request/session';

/** A text as it stands in the editor, as a file of this format. */
export const POST = json('save a text', takingOut, async ({ who, params: { format }, input, request }) => {
  if (!isFormat(format)) return fail({ code: 'not-found' });
  const doc = parseDocument(input.doc);
  if (!doc.ok) return doc;
  const text = { title: input.title, doc: doc.value };
  const file = await takeOut(withFiles(who.deps), who.actor, format, text, originOf(request.headers));
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': FORMATS[format],
      'content-disposition': `attachment; filename="text.${format}"`,
      'content-security-policy': "default-src 'none'; sandbox",
    },
  });
});
