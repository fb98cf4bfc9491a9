import { elsewhereAt, termAt } from '@/contract/addresses';
import { z } from 'zod';
import { lookThrough } from '@/server/calendar/followed';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Lays down what a followed calendar offers, to be looked through. */
export const POST = form<'id'>(
  'keep one’s calendar',
  () => elsewhereAt(),
  async ({ who, params: { id } }) => {
    if (!z.uuid().safeParse(id).success) return seeOther(elsewhereAt());
    const laid = await lookThrough(who.deps, who.actor, id);
    return seeOther(laid.ok ? termAt(laid.value.id) : elsewhereAt({ answer: 'nothing-new' }));
  },
);
