import { readsAsSchema, rememberReadsAs } from '@/server/discussions/reads-as';
import { requireVisitor } from '../../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Lays the conversation out in another way, from now on: a plain form. */
export async function POST(request: Request, context: Context) {
  const { slug } = await context.params;
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const here = `/discussions/${slug}/conversation`;
  const who = await requireVisitor(here);
  const asked = new URL(request.url).searchParams;
  const input = readsAsSchema.safeParse({ as: asked.get('as'), newestFirst: asked.get('newest') === 'yes' });
  const to = (await bodyFields(request)).get('to');
  if (input.success) await rememberReadsAs(who.deps, who.actor, input.data);
  return seeOther(to ?? here);
}
