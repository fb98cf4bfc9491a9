import { elsewhereAt } from '@/contract/addresses';
import { headers } from 'next/headers';
import { importedCalendars } from '@/server/calendar/busy';
import { followedLines } from '@/server/calendar/followed';
import { feedAddress } from '@/server/calendar/feed';
import { Elsewhere } from '@/ui/calendar/elsewhere';
import { calendarTroubleText } from '@/ui/words/imports';
import { notReadText } from '@/ui/words/not-read';
import { plural } from '@/ui/words/plural';
import { Frame } from '../../_request/frame';
import { originOf } from '../../_request/origin';
import { queryOf } from '../../_request/query';
import { handedFeedToken, requireVisitor } from '../../_request/session';

type Props = { searchParams: Promise<{ answer?: string; times?: string; why?: string }> };

export const metadata = { title: 'Other calendars' };

const NOTHING_CHANGED = 'Nothing was changed.';

function answerText(answer: string | undefined, times: string | undefined, why: string | undefined) {
  switch (answer) {
    case 'imported': {
      const n = /^\d{1,6}$/u.test(times ?? '') ? Number(times) : 0;
      return { good: true, text: `Imported: ${plural(n, 'busy time')}. The plan keeps clear of them.` };
    }
    case 'not-a-calendar':
      return {
        good: false,
        text: `That file is not an iCalendar file: it holds no calendar. ${NOTHING_CHANGED}`,
      };
    case 'not-read':
      return { good: false, text: notReadText(why) };
    case 'no-file':
      return {
        good: false,
        text: `No file arrived. Choose an .ics file and send it again. ${NOTHING_CHANGED}`,
      };
    case 'followed':
      return { good: true, text: 'Followed. What it names stands below, and is asked for every hour.' };
    case 'unfollowed':
      return { good: true, text: 'It is asked for no more. What you made of it stays.' };
    case 'nothing-new':
      return { good: true, text: 'It names nothing that is not here.' };
    case 'asked-too-much':
      return { good: false, text: `Too many addresses were asked for. Wait a minute. ${NOTHING_CHANGED}` };
    case 'removed':
      return { good: true, text: 'Removed. The plan may use that time again.' };
    case 'feed':
      return {
        good: true,
        text: 'The address below is new. Put it into your calendar now: it is shown for ten minutes. Addresses made before no longer work.',
      };
    case 'revoked':
      return { good: true, text: 'The feed is stopped: its address no longer works.' };
    default:
      return answer?.startsWith('follow-')
        ? { good: false, text: `${calendarTroubleText(answer.slice(7))} ${NOTHING_CHANGED}` }
        : null;
  }
}

export default async function ElsewherePage({ searchParams }: Props) {
  const who = await requireVisitor(elsewhereAt());
  const [feed, calendars, followed, { answer, times, why }, asked] = await Promise.all([
    feedAddress(who.deps, who.actor, await handedFeedToken('calendar')),
    importedCalendars(who.deps, who.actor),
    followedLines(who.deps, who.actor),
    queryOf(searchParams),
    headers(),
  ]);
  return (
    <Frame visitor={who} here={elsewhereAt()} place="calendar">
      <Elsewhere
        view={{
          zone: who.actor.timeZone,
          feed: feed && { ...feed, address: feed.path && `${originOf(asked)}${feed.path}` },
          calendars,
          followed,
          answer: answerText(answer, times, why),
        }}
      />
    </Frame>
  );
}
