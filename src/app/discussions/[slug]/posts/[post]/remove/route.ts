import { conversationAt, responseAt } from '@/contract/addresses';
import { postId } from '@/core/ids';
import { removePost } from '@/server/outside/posts';
import { form } from '../../../../../_request/endpoint';
import { numberOf, seeOther } from '../../../../../_request/write';

/** Takes a post out of an outside discussion; one's own comes back as a draft. */
export const POST = form<'slug' | 'post'>(
  'keep an outside discussion',
  ({ slug }) => conversationAt(slug),
  async ({ who, params: { slug, post }, page }) => {
    const id = numberOf(post);
    const removed = await removePost(who.deps, who.actor, slug, postId(id));
    if (!removed.ok) return seeOther(conversationAt(slug, { post: id, answer: removed.failure.code }));
    const { own, kind, parent } = removed.value;
    if (own && kind === 'response') return seeOther(responseAt(slug));
    return seeOther(parent === null ? page : conversationAt(slug, { post: parent }));
  },
);
