import { draftVersion } from '@/server/drafts/versions';
import { visitor } from '../../../../../_request/session';

/** The text of one earlier version of one's own draft. */
export async function GET(_request: Request, context: { params: Promise<{ slug: string; id: string }> }) {
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const { slug, id } = await context.params;
  const text = await draftVersion(who.deps, who.actor, slug, id);
  return text.ok
    ? Response.json(text.value)
    : Response.json({ ok: false, code: 'not-found' }, { status: 404 });
}
