import { deskCartridgeAt } from '@/contract/addresses';
import { calendarText } from '@/core/calendar/feed';
import { termEntries } from '@/server/calendar/entries';
import { deadlineEvent } from '@/ui/words/feed';
import { ownContent } from '../../../../../_request/endpoint';
import { originOf } from '../../../../../_request/origin';

/** Every deadline of a course's term as a file for a calendar program. */
export const GET = ownContent<'course'>(
  'keep the desk',
  ({ course }) => deskCartridgeAt(course),
  async ({ who, params: { course }, request }) => {
    const entries = await termEntries(who.deps, who.actor, course);
    const origin = originOf(request.headers);
    const events = entries.map((e) => deadlineEvent({ ...e, sequence: 0, changedAt: who.deps.now }, origin));
    return new Response(calendarText(`Pulpit: ${entries[0]?.course.code ?? course}`, events), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="term.ics"',
        'cache-control': 'private, no-store',
      },
    });
  },
);
