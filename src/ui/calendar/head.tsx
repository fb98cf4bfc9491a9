import { calendarAt, elsewhereAt, planAt } from '@/contract/addresses';
import { Rooms } from '../frame/rooms';

const ROOMS = [
  { id: 'month', name: 'Month', href: calendarAt() },
  { id: 'agenda', name: 'Agenda', href: calendarAt({ view: 'agenda' }) },
  { id: 'plan', name: 'Plan', href: planAt() },
  { id: 'elsewhere', name: 'Other calendars', href: elsewhereAt() },
] as const;
export type CalendarRoom = (typeof ROOMS)[number]['id'];

/** The calendar's title and its rooms. */
export function CalendarHead({ room, title }: { room: CalendarRoom; title: string }) {
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
      <h1 className="text-[25px]">{title}</h1>
      <Rooms label="Calendar" rooms={ROOMS} here={room} />
    </div>
  );
}
