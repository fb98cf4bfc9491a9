import { listenHere } from '@/contract/notices';
import { listenOn } from '@/server/notices/devices';
import { app } from '@/runtime/app';
import { json } from '../../_request/endpoint';

/** Has notices sent to this device too. */
export const PUT = json('keep oneself', listenHere, ({ who, input }) =>
  listenOn(who.deps, who.actor, who.session, app().config.pushServices, input),
);
