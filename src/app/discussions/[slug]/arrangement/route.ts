import { conversationAt } from '@/contract/addresses';
import { readsAsSchema, rememberReadsAs } from '@/server/discussions/reads-as';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Lays the conversation out in another way, from now on: a plain form. */
export const POST = form<'slug'>(
  'read posts',
  ({ slug }) => conversationAt(slug),
  async ({ who, fields, page, request }) => {
    const asked = new URL(request.url).searchParams;
    const input = readsAsSchema.safeParse({
      as: asked.get('as'),
      newestFirst: asked.get('newest') === 'yes',
    });
    const to = fields.get('to');
    if (input.success) await rememberReadsAs(who.deps, who.actor, input.data);
    return seeOther(to ?? page);
  },
);
