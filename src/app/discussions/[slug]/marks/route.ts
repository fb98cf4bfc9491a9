import { conversationAt, discussionsAt } from '@/contract/addresses';
import { giveMark, markInputSchema } from '@/server/rubric/rubric';
import { answered } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Staff mark a response by the rubric. */
export const POST = form<'slug'>(
  'mark by the rubric',
  ({ slug }) => conversationAt(slug),
  async ({ who, params: { slug }, fields, request }) => {
    const levels = Object.fromEntries(fields);
    const read = markInputSchema.safeParse(levels);
    if (!read.success) return answered(request, discussionsAt(), { ok: false, code: 'unfinished' });
    const page = conversationAt(slug, { post: read.data.post });
    const given = await giveMark(who.deps, who.actor, slug, read.data, levels);
    return answered(
      request,
      page,
      given.ok ? { ok: true, code: 'kept' } : { ok: false, code: given.failure.code },
    );
  },
);
