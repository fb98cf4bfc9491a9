import { sourceAt } from '@/contract/addresses';
import { promptSource } from '@/server/outside/source';
import { ownContent } from '../../../_request/endpoint';

/** The whole text of an outside prompt as it was brought in. */
export const GET = ownContent<'slug'>(
  'read posts',
  ({ slug }) => sourceAt(slug),
  async ({ who, params: { slug } }) => {
    const source = await promptSource(who.deps, who.actor, slug);
    if (!source.ok) return new Response('There is no such prompt.\n', { status: 404 });
    return new Response(source.value.whole, { headers: { 'content-type': 'text/plain; charset=utf-8' } });
  },
);
