import { discussionsAt, newOutsideAt, responseAt, termAt } from '@/contract/addresses';
import { z } from 'zod';
import { makeTerm } from '@/server/outside/make-term';
import { sayOfTerm } from '@/server/outside/term';
import { seeOther } from '../../../../_request/write';
import { form } from '../../../../_request/endpoint';

/** Keeps what somebody says of a term's rows, and makes discussions of them where they are right. */
export const POST = form<'id'>(
  'bring a prompt in',
  ({ id }) => termAt(id),
  async ({ who, params: { id }, fields }) => {
    if (!z.uuid().safeParse(id).success) return seeOther(newOutsideAt());
    const said = await sayOfTerm(who.deps, who.actor, id, fields);
    if (!said.ok) return seeOther(newOutsideAt());
    if (fields.get('act') !== 'make') return seeOther(termAt(id));
    const made = await makeTerm(who.deps, who.actor, id);
    if (!made.ok) return seeOther(made.failure.code === 'fields' ? termAt(id) : newOutsideAt());
    const { slug } = made.value;
    return seeOther(slug && made.value.made === 1 ? responseAt(slug) : discussionsAt());
  },
);
