import { care, careSchema } from '@/server/care/care';
import { visitor } from '../../../../../_request/session';
import { jsonBody, numberOf, said, scripted } from '../../../../../_request/write';

type Context = { params: Promise<{ slug: string; post: string }> };

/** Reports a post, or does about it what staff may. */
export async function POST(request: Request, context: Context) {
  const { slug, post } = await context.params;
  return scripted(request, visitor, async (who) => {
    const input = careSchema.safeParse(await jsonBody(request));
    if (!input.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
    return said(await care(who.deps, who.actor, slug, numberOf(post), input.data));
  });
}
