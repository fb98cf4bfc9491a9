import { calendarText } from '@/core/calendar/feed';
import { app } from '@/runtime/app';
import { readFeed } from '@/server/calendar/feed';
import { deadlineEvent, sittingEvent } from '@/ui/words/feed';
import { feedAnswer } from '../../../_request/feed';
import { originOf } from '../../../_request/origin';
import { unexpected } from '../../../_request/write';

type Context = { params: Promise<{ token: string }> };

/** A person's deadlines as an iCalendar stream, for whoever knows the secret address. */
export async function GET(request: Request, context: Context) {
  const { token } = await context.params;
  const { db, clock } = app();
  try {
    const feed = await readFeed(db, clock, token);
    if (!feed.ok)
      return new Response('There is no such calendar, or its address was replaced.\n', { status: 404 });
    const { name, entries, pieces } = feed.value;
    const origin = originOf(request.headers);
    const text = calendarText(`Pulpit: ${name}`, [
      ...entries.map((e) => deadlineEvent(e, origin)),
      ...pieces.map((p) => sittingEvent(p, origin)),
    ]);
    return feedAnswer(request, text, {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'inline; filename="pulpit.ics"',
    });
  } catch (error) {
    const { id } = unexpected(error);
    return new Response(`The calendar cannot be read just now. Try again later (${id}).\n`, { status: 503 });
  }
}
