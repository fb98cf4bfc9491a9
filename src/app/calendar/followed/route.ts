import { elsewhereAt } from '@/contract/addresses';
import { followCalendar } from '@/server/calendar/followed';
import { asking } from '@/server/links/allowance';
import { seeOther } from '../../_request/write';
import { form } from '../../_request/endpoint';
import { withBox } from '../../_request/session';

/** Follows a calendar by its address. */
export const POST = form(
  'keep one’s calendar',
  () => elsewhereAt(),
  async ({ who, fields }) => {
    const given = { address: fields.get('address') ?? '', name: fields.get('name') ?? '' };
    const followed = await asking(who.actor.id, 1, performance.now(), () =>
      followCalendar(withBox(who.deps), who.actor, given),
    );
    if (!followed) return seeOther(elsewhereAt({ answer: 'asked-too-much' }));
    return seeOther(elsewhereAt({ answer: followed.ok ? 'followed' : `follow-${followed.failure.code}` }));
  },
);
