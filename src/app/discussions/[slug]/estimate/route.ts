import { responseAt } from '@/contract/addresses';
import { estimate } from '@/server/rubric/rubric';
import { answered } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Keeps a student's own estimate by the rubric. */
export const POST = form<'slug'>(
  'estimate oneself',
  ({ slug }) => responseAt(slug),
  async ({ who, params: { slug }, fields, page, request }) => {
    const levels = Object.fromEntries(fields);
    const kept = await estimate(who.deps, who.actor, slug, levels);
    return answered(
      request,
      page,
      kept.ok ? { ok: true, code: 'kept' } : { ok: false, code: kept.failure.code },
    );
  },
);
