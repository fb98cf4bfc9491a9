import { listenNoMore } from '@/contract/notices';
import { listenNoMoreOn } from '@/server/notices/devices';
import { json } from '../../../_request/endpoint';

/** This device hears no more. */
export const POST = json('keep oneself', listenNoMore, ({ who, input }) =>
  listenNoMoreOn(who.deps, who.actor, input.endpoint),
);
