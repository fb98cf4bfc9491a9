import { moderating } from '@/contract/conversation';
import { moderate } from '@/server/posts/moderation';
import { json } from '../../../../../_request/endpoint';
import { numberOf } from '../../../../../_request/write';

/** Reports a post, or does about it what staff may. */
export const POST = json('moderate or report', moderating, ({ who, params, input }) =>
  moderate(who.deps, who.actor, params.slug, numberOf(params.post), input),
);
