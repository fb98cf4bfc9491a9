import { keepNoteToSelf, noteToSelfSchema } from '@/server/self/note-to-self';
import { requireVisitor, visitor } from '../../../_request/session';
import { bodyFields, fromOwnPages, isJson, jsonBody, seeOther, unexpected } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Keeps a note to oneself: while one writes, or from the form that works without scripts. */
export async function POST(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const { slug } = await params;
  if (!isJson(request)) {
    const page = `/discussions/${slug}/response`;
    const who = await requireVisitor(page);
    const read = noteToSelfSchema.safeParse(Object.fromEntries(await bodyFields(request)));
    if (read.success) await keepNoteToSelf(who.deps, who.actor, slug, read.data);
    return seeOther(`${page}?answer=${read.success ? 'note-kept' : 'document-too-large'}`);
  }
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = noteToSelfSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'document-too-large' }, { status: 422 });
    const kept = await keepNoteToSelf(who.deps, who.actor, slug, read.data);
    return kept.ok
      ? Response.json({ ok: true, ...kept.value })
      : Response.json({ ok: false, ...kept.failure }, { status: 409 });
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
