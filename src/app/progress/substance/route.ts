import { replyingWell } from '@/contract/progress';
import { replySubstance } from '@/server/progress/substance';
import { json } from '../../_request/endpoint';

/** How substantive one's own replies were. */
export const GET = json('keep oneself', replyingWell, ({ who }) => replySubstance(who.deps, who.actor));
