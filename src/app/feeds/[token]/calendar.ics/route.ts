import { calendarText } from '@/core/calendar/feed';
import { app } from '@/runtime/app';
import { readFeed } from '@/server/calendar/feed';
import { deadlineEvent, meetingEvent, sittingEvent } from '@/ui/words/feed';
import { feedAnswer } from '../../../_request/feed';
import { originOf } from '../../../_request/origin';
import { content } from '../../../_request/endpoint';

/** A person's deadlines as an iCalendar stream, for whoever knows the secret address. */
export const GET = content<'token'>('read a feed by its address', async ({ params: { token }, request }) => {
  const { db, clock } = app();
  const feed = await readFeed(db, clock, token);
  if (!feed.ok)
    return new Response('There is no such calendar, or its address was replaced.\n', { status: 404 });
  const { name, entries, pieces, meetings } = feed.value;
  const origin = originOf(request.headers);
  const text = calendarText(`Pulpit: ${name}`, [
    ...entries.map((e) => deadlineEvent(e, origin)),
    ...pieces.map((p) => sittingEvent(p, origin)),
    ...meetings.map((m) => meetingEvent(m, origin)),
  ]);
  return feedAnswer(request, text, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'inline; filename="pulpit.ics"',
  });
});
