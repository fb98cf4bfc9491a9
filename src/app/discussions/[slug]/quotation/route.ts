import { quotationSchema, quoteIntoDraft } from '@/server/drafts/quote';
import { visitor } from '../../../_request/session';
import { fromOwnPages, jsonBody, unexpected } from '../../../_request/write';

/** Puts a passage of a reading, or a note, into the draft of one's response. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const { slug } = await context.params;
    const read = quotationSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
    const kept = await quoteIntoDraft(who.deps, who.actor, slug, read.data);
    return kept.ok
      ? Response.json({ ok: true })
      : Response.json({ ok: false, code: kept.failure.code }, { status: 409 });
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
