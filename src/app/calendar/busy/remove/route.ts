import { z } from 'zod';
import { removeCalendar } from '@/server/calendar/busy';
import { requireVisitor } from '../../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../../_request/write';

/** Takes an imported calendar out again. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor('/calendar/elsewhere');
  const id = z.uuid().safeParse((await bodyFields(request)).get('id'));
  if (id.success) await removeCalendar(who.deps, who.actor, id.data);
  return seeOther('/calendar/elsewhere?answer=removed');
}
