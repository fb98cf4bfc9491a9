import { elsewhereAt } from '@/contract/addresses';
import { z } from 'zod';
import { unfollowCalendar } from '@/server/calendar/followed';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Leaves a calendar: what was made of it stays. */
export const POST = form(
  'keep one’s calendar',
  () => elsewhereAt(),
  async ({ who, fields }) => {
    const id = z.uuid().safeParse(fields.get('id'));
    if (id.success) await unfollowCalendar(who.deps, who.actor, id.data);
    return seeOther(elsewhereAt({ answer: 'unfollowed' }));
  },
);
