import { namesFor } from '@/server/posts/names';
import { visitor } from '../../../_request/session';

/** Whom and which posts a text in this discussion may name. */
export async function GET(_request: Request, context: { params: Promise<{ slug: string }> }) {
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const { slug } = await context.params;
  const names = await namesFor(who.deps, who.actor, slug);
  return names.ok
    ? Response.json(names.value)
    : Response.json({ ok: false, code: 'not-found' }, { status: 404 });
}
