import { planAt } from '@/contract/addresses';
import { calendarText } from '@/core/calendar/feed';
import { planPieces } from '@/server/calendar/feed';
import { sittingEvent } from '@/ui/words/feed';
import { originOf } from '../../../_request/origin';
import { ownContent } from '../../../_request/endpoint';

/** The planned sittings as a file, for a calendar program that cannot subscribe. */
export const GET = ownContent(
  'keep one’s calendar',
  () => planAt(),
  async ({ who, request }) => {
    const pieces = await planPieces(who.deps, who.actor);
    const origin = originOf(request.headers);
    return new Response(
      calendarText(
        'Pulpit: sittings',
        pieces.map((p) => sittingEvent(p, origin)),
      ),
      {
        headers: {
          'content-type': 'text/calendar; charset=utf-8',
          'content-disposition': 'attachment; filename="pulpit-sittings.ics"',
          'cache-control': 'private, no-store',
        },
      },
    );
  },
);
