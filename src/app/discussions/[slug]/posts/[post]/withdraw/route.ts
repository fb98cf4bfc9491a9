import { conversationAt, discussionAt, editPostAt, responseAt } from '@/contract/addresses';
import { postId } from '@/core/ids';
import { withdrawPost } from '@/server/posts/change';
import { numberOf, seeOther } from '../../../../../_request/write';
import { form } from '../../../../../_request/endpoint';

/** Withdraws a shared post of one's own; its text is a draft again. */
export const POST = form<'slug' | 'post'>(
  'change a post',
  ({ slug }) => discussionAt(slug),
  async ({ who, params: { slug, post } }) => {
    const id = postId(numberOf(post));
    const done = await withdrawPost(who.deps, who.actor, slug, id);
    if (!done.ok) return seeOther(editPostAt(slug, id, { answer: done.failure.code }));
    const { kind, parent } = done.value;
    return seeOther(
      kind === 'response'
        ? responseAt(slug, { answer: 'withdrawn' })
        : conversationAt(slug, { post: parent, answer: 'withdrawn' }),
    );
  },
);
