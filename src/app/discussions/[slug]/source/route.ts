import { promptSource } from '@/server/outside/source';
import { requireVisitor } from '../../../_request/session';

/** The whole text of an outside prompt as it was brought in. */
export async function GET(_request: Request, context: { params: Promise<{ slug: string }> }) {
  const { slug } = await context.params;
  const who = await requireVisitor(`/discussions/${slug}/source`);
  const source = await promptSource(who.deps, who.actor, slug);
  if (!source.ok) return new Response('There is no such prompt.\n', { status: 404 });
  return new Response(source.value.whole, { headers: { 'content-type': 'text/plain; charset=utf-8' } });
}
