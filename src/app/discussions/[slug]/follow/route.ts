import { following } from '@/contract/conversation';
import { follow } from '@/server/discussions/follow';
import { json } from '../../../_request/endpoint';

/** Follows the discussion or a thread of it, or does so no more. */
export const POST = json('follow', following, ({ who, params, input }) =>
  follow(who.deps, who.actor, params.slug, input),
);
