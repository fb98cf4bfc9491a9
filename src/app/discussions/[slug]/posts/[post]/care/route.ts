import { caring } from '@/contract/conversation';
import { care } from '@/server/care/care';
import { json } from '../../../../../_request/endpoint';
import { numberOf } from '../../../../../_request/write';

/** Reports a post, or does about it what staff may. */
export const POST = json(caring, ({ who, params, input }) =>
  care(who.deps, who.actor, params.slug, numberOf(params.post), input),
);
