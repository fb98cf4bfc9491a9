import { removeOutside } from '@/server/outside/confirm';
import { requireVisitor } from '../../../_request/session';
import { fromOwnPages, seeOther } from '../../../_request/write';

/** Removes an outside discussion with everything in it. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const who = await requireVisitor(`/discussions/${slug}`);
  const removed = await removeOutside(who.deps, who.actor, slug);
  return seeOther(removed.ok ? '/discussions' : `/discussions/${slug}`);
}
