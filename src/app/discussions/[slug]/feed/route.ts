import { exportsAt } from '@/contract/addresses';
import { changeDiscussionFeed } from '@/server/discussions/feed';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';
import { handFeedToken } from '../../../_request/session';

/** Makes the secret address of a discussion's feed, or stops it: a plain form. */
export const POST = form<'slug'>(
  'read posts',
  ({ slug }) => exportsAt(slug),
  async ({ who, params: { slug }, fields, page }) => {
    const wish = fields.get('do');
    if (wish !== 'make' && wish !== 'revoke') return seeOther(page);
    const done = await changeDiscussionFeed(who.deps, who.actor, slug, wish);
    if (done.ok) await handFeedToken(slug, done.value.token);
    return seeOther(`${page}?answer=${wish === 'make' ? 'feed' : 'revoked'}`);
  },
);
