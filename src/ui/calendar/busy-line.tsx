import type { BusyTime } from '@/core/planning/cannot';
import { clockTime } from '../words/time';
import type { DayView } from '@/contract/calendar';

/** "09:00 to 12:30", held within the day; "all day" where nothing of it is left. */
export function busyText(busy: BusyTime, day: Pick<DayView, 'start' | 'end'>, zone: string): string {
  if (busy.start <= day.start && busy.end >= day.end) return 'all day';
  const from = busy.start <= day.start ? '00:00' : clockTime(busy.start, zone);
  const to = busy.end >= day.end ? '24:00' : clockTime(busy.end, zone);
  return `${from} to ${to}`;
}
