import { responseAt } from '@/contract/addresses';
import { reportTrouble, saidSchema } from '@/server/desk/troubles';
import { form } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** Says that something is broken in a prompt. */
export const POST = form<'slug'>(
  'say what is broken',
  ({ slug }) => responseAt(slug),
  async ({ who, params: { slug }, fields }) => {
    const said = saidSchema.safeParse(fields.get('said') ?? '');
    const done = said.success
      ? await reportTrouble(who.deps, who.actor, 'discussions', slug, said.data)
      : null;
    return seeOther(responseAt(slug, { answer: done?.ok ? 'trouble-said' : 'trouble-not-said' }));
  },
);
