import { calendarAt } from '@/contract/addresses';
import { calendarAskSchema, calendarView } from '@/server/calendar/calendar';
import { Calendar } from '@/ui/calendar/calendar';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { requireVisitor } from '../_request/session';

type Props = { searchParams: Promise<Record<string, string | string[] | undefined>> };

export const metadata = { title: 'Calendar' };

export default async function CalendarPage({ searchParams }: Props) {
  const ask = calendarAskSchema.parse(await queryOf(searchParams));
  const here = calendarAt(ask);
  const who = await requireVisitor(here);
  const view = await calendarView(who.deps, who.actor, ask);
  return (
    <Frame visitor={who} here={here} place="calendar">
      <Calendar {...view} />
    </Frame>
  );
}
