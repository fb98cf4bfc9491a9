import { responseAt } from '@/contract/addresses';
import { tickViewing } from '@/server/rubric/rubric';
import { answered } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Ticks a viewing of the prompt off, or sets it back. */
export const POST = form<'slug'>(
  'note what was watched',
  ({ slug }) => responseAt(slug),
  async ({ who, params: { slug }, fields, page, request }) => {
    const ticked = await tickViewing(
      who.deps,
      who.actor,
      slug,
      fields.get('viewing') ?? '',
      fields.get('done') === 'yes',
    );
    return answered(
      request,
      page,
      ticked.ok ? { ok: true, code: 'kept' } : { ok: false, code: ticked.failure.code },
    );
  },
);
