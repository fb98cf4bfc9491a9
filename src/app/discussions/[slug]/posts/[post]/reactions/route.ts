import { reacting, reactionSchema } from '@/contract/conversation';
import { conversationAt } from '@/contract/addresses';
import { reactToPost } from '@/server/posts/react';
import { byContent, form, json } from '../../../../../_request/endpoint';
import { numberOf, seeOther } from '../../../../../_request/write';

/** "Well said", and what one keeps for oneself: as JSON from the page, or as a plain form. */
export const POST = byContent(
  json('react', reacting, ({ who, params, input }) =>
    reactToPost(who.deps, who.actor, params.slug, numberOf(params.post), input),
  ),
  form<'slug' | 'post'>(
    'react',
    ({ slug, post }) => conversationAt(slug, { post: numberOf(post) }),
    async ({ who, params, fields, page }) => {
      const read = reactionSchema.safeParse({ kind: fields.get('kind'), on: fields.get('on') === 'yes' });
      if (read.success) await reactToPost(who.deps, who.actor, params.slug, numberOf(params.post), read.data);
      return seeOther(page);
    },
  ),
);
