import { elsewhereAt } from '@/contract/addresses';
import { newFeedAddress, revokeFeed } from '@/server/calendar/feed';
import { seeOther } from '../../_request/write';
import { form } from '../../_request/endpoint';
import { handFeedToken } from '../../_request/session';

/** Makes a person's secret calendar address, or stops it. */
export const POST = form(
  'keep one’s calendar',
  () => elsewhereAt(),
  async ({ who, fields }) => {
    const wish = fields.get('do');
    if (wish === 'revoke') {
      await revokeFeed(who.deps, who.actor);
      await handFeedToken('calendar', null);
      return seeOther(elsewhereAt({ answer: 'revoked' }));
    }
    if (wish !== 'make') return seeOther(elsewhereAt());
    await handFeedToken('calendar', await newFeedAddress(who.deps, who.actor));
    return seeOther(elsewhereAt({ answer: 'feed' }));
  },
);
