import { discussionAt, discussionsAt } from '@/contract/addresses';
import { removeOutside } from '@/server/outside/confirm';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Removes an outside discussion with everything in it. */
export const POST = form<'slug'>(
  'keep an outside discussion',
  ({ slug }) => discussionAt(slug),
  async ({ who, params: { slug } }) => {
    const removed = await removeOutside(who.deps, who.actor, slug);
    return seeOther(removed.ok ? discussionsAt() : discussionAt(slug));
  },
);
