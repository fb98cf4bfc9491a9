import { newOutsideAt } from '@/contract/addresses';
import { z } from 'zod';
import { putAway } from '@/server/outside/confirm';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Puts away a prompt that was brought in and never confirmed. */
export const POST = form<'id'>(
  'bring a prompt in',
  () => newOutsideAt(),
  async ({ who, params: { id } }) => {
    if (z.uuid().safeParse(id).success) await putAway(who.deps, who.actor, id);
    return seeOther(newOutsideAt());
  },
);
