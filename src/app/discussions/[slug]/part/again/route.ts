import { partAt } from '@/contract/addresses';
import { giveBackPart } from '@/server/marks/again';
import { form } from '../../../../_request/endpoint';
import { answered } from '../../../../_request/write';

/** Gives a part back that was to be done again. */
export const POST = form<'slug'>(
  'answer a comment',
  ({ slug }) => partAt(slug),
  async ({ who, params: { slug }, fields, page, request }) => {
    const given = await giveBackPart(who.deps, who.actor, slug, fields.get('said') ?? '');
    return answered(
      request,
      page,
      given.ok ? { ok: true, code: 'given-back' } : { ok: false, code: given.failure.code },
    );
  },
);
