import { draftVersionText } from '@/contract/writing';
import { draftVersion } from '@/server/drafts/versions';
import { json } from '../../../../../_request/endpoint';

/** The text of one earlier version of one's own draft. */
export const GET = json('write', draftVersionText, ({ who, params }) =>
  draftVersion(who.deps, who.actor, params.slug, params.id),
);
