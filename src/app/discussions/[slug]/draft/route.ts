import { draftInputSchema, keepDraft } from '@/server/drafts/keep';
import { visitor } from '../../../_request/session';
import { fromOwnPages, jsonBody, unexpected } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

const STATUS: Record<string, number> = { 'not-found': 404, 'other-window': 409, 'already-shared': 409 };

/** Keeps a draft while one writes. */
export async function PUT(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = draftInputSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
    const { slug } = await params;
    const kept = await keepDraft(who.deps, who.actor, slug, read.data);
    return kept.ok
      ? Response.json({ ok: true, ...kept.value })
      : Response.json({ ok: false, ...kept.failure }, { status: STATUS[kept.failure.code] ?? 422 });
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
