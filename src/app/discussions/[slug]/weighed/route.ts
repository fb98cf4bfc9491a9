import { weighing } from '@/contract/writing';
import { weighReply } from '@/server/discussions/weigh';
import { json } from '../../../_request/endpoint';

/** How a reply that is being written lies to what it answers, by its meaning. */
export const POST = json('write', weighing, ({ who, params, input }) =>
  weighReply(who.deps, who.actor, params.slug, input),
);
