import { markingPost, markSchema } from '@/contract/conversation';
import { conversationAt } from '@/contract/addresses';
import { markPost } from '@/server/posts/mark';
import { byContent, form, json } from '../../../../../_request/endpoint';
import { numberOf, seeOther } from '../../../../../_request/write';

/** "Well said", and what one keeps for oneself: as JSON from the page, or as a plain form. */
export const POST = byContent(
  json(markingPost, ({ who, params, input }) =>
    markPost(who.deps, who.actor, params.slug, numberOf(params.post), input),
  ),
  form<'slug' | 'post'>(
    ({ slug, post }) => conversationAt(slug, { post: numberOf(post) }),
    async ({ who, params, fields, page }) => {
      const read = markSchema.safeParse({ kind: fields.get('kind'), on: fields.get('on') === 'yes' });
      if (read.success) await markPost(who.deps, who.actor, params.slug, numberOf(params.post), read.data);
      return seeOther(page);
    },
  ),
);
