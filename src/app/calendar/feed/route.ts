import { newFeedAddress, revokeFeed } from '@/server/calendar/feed';
import { requireVisitor } from '../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../_request/write';

/** Makes a person's secret calendar address, or stops it. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor('/calendar/elsewhere');
  const wish = (await bodyFields(request)).get('do');
  if (wish === 'revoke') {
    await revokeFeed(who.deps, who.actor);
    return seeOther('/calendar/elsewhere?answer=revoked');
  }
  if (wish !== 'make') return seeOther('/calendar/elsewhere');
  await newFeedAddress(who.deps, who.actor);
  return seeOther('/calendar/elsewhere?answer=feed');
}
