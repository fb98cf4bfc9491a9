import { elsewhereAt } from '@/contract/addresses';
import { z } from 'zod';
import { removeCalendar } from '@/server/calendar/busy';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Takes an imported calendar out again. */
export const POST = form(
  'keep one’s calendar',
  () => elsewhereAt(),
  async ({ who, fields }) => {
    const id = z.uuid().safeParse(fields.get('id'));
    if (id.success) await removeCalendar(who.deps, who.actor, id.data);
    return seeOther(elsewhereAt({ answer: 'removed' }));
  },
);
