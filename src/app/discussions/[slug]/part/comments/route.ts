import { partAt } from '@/contract/addresses';
import { actOnComment, commentActSchema } from '@/server/marks/comments';
import { form } from '../../../../_request/endpoint';
import { answered } from '../../../../_request/write';

/** What a student says about a comment on their part. */
export const POST = form<'slug'>(
  'answer a comment',
  ({ slug }) => partAt(slug),
  async ({ who, params: { slug }, fields, page, request }) => {
    const act = commentActSchema.safeParse(Object.fromEntries(fields));
    if (!act.success) return answered(request, page, { ok: false, code: 'nothing-written' });
    const done = await actOnComment(who.deps, who.actor, slug, act.data);
    return answered(
      request,
      page,
      done.ok ? { ok: true, code: act.data.do } : { ok: false, code: done.failure.code },
    );
  },
);
