import { quoting } from '@/contract/writing';
import { quoteIntoDraft } from '@/server/drafts/quote';
import { json } from '../../../_request/endpoint';

/** Puts a passage of a reading, or a note, into the draft of one's response. */
export const POST = json('write', quoting, ({ who, params, input }) =>
  quoteIntoDraft(who.deps, who.actor, params.slug, input),
);
