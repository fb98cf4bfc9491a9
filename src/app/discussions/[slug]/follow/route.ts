import { follow, followSchema } from '@/server/discussions/follow';
import { visitor } from '../../../_request/session';
import { jsonBody, said, scripted } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Follows the discussion or a thread of it, or does so no more. */
export async function POST(request: Request, context: Context) {
  const { slug } = await context.params;
  return scripted(request, visitor, async (who) => {
    const input = followSchema.safeParse(await jsonBody(request));
    if (!input.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
    return said(await follow(who.deps, who.actor, slug, input.data));
  });
}
