import { readingAt } from '@/contract/addresses';
import { reportTrouble, saidSchema } from '@/server/desk/troubles';
import { form } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** Says that something is broken in a reading. */
export const POST = form<'slug'>(
  'say what is broken',
  ({ slug }) => readingAt(slug),
  async ({ who, params: { slug }, fields }) => {
    const said = saidSchema.safeParse(fields.get('said') ?? '');
    const done = said.success ? await reportTrouble(who.deps, who.actor, 'readings', slug, said.data) : null;
    return seeOther(readingAt(slug, { answer: done?.ok ? 'trouble-said' : 'trouble-not-said' }));
  },
);
