import type { CalendarViewProps } from '@/contract/calendar';
import { z } from 'zod';
import { daysFrom, dateLater, monthDays, monthLater, type CalendarDay } from '@/core/calendar/month';
import { dayIn } from '@/core/deadlines/day';
import { ask } from '@/db/ask';
import { busyTimes } from '@/db/queries/planning';
import type { Actor, Deps } from '../deps';
import { planView } from '../planning/plan';
import { calendarEntries } from './entries';
import { meetingEntries } from './meetings';

const AGENDA_DAYS = 28;

export const calendarAskSchema = z.object({
  view: z.enum(['month', 'agenda']).catch('month'),
  month: z
    .string()
    .regex(/^(19|20|21)\d\d-(0[1-9]|1[0-2])$/u)
    .optional()
    .catch(undefined),
  day: z.iso.date().optional().catch(undefined),
});
export type CalendarAsk = z.infer<typeof calendarAskSchema>;

/** A month by whole weeks, or four weeks as a list: deadlines, openings and closings, and beneath them the busy times. */
export async function calendarView(deps: Deps, actor: Actor, asked: CalendarAsk): Promise<CalendarViewProps> {
  const { db, now } = deps;
  const zone = actor.timeZone;
  const today = dayIn(now, zone);
  const month = asked.month ?? (asked.day ?? today).slice(0, 7);
  const from = asked.day ?? (asked.month && asked.month !== today.slice(0, 7) ? `${asked.month}-01` : today);
  const days =
    asked.view === 'month'
      ? monthDays(month, zone, actor.weekBegins ?? 1)
      : daysFrom(from, AGENDA_DAYS, zone);
  const start = days[0]?.start ?? now;
  const end = days[days.length - 1]?.end ?? now;
  const [entries, meetings, plan, busy] = await Promise.all([
    calendarEntries(deps, actor),
    meetingEntries(deps, actor),
    planView(deps, actor),
    ask(busyTimes(db, actor.id, start, end)),
  ]);
  const within = (at: number, day: CalendarDay) => at >= day.start && at < day.end;
  return {
    now,
    zone,
    view: asked.view,
    month,
    from,
    days: days.map((day) => ({
      ...day,
      today: day.date === today,
      inside: asked.view === 'agenda' || day.date.startsWith(month),
      entries: entries.filter((e) => within(e.at, day)),
      meetings: meetings.filter((m) => within(m.at, day)),
      busy: busy.filter((b) => b.start < day.end && b.end > day.start),
      sittings: plan.planned.sittings.filter((s) => within(s.start, day)),
    })),
    assignments: plan.assignments.map(({ id, course, kind, n }) => ({ id, course, kind, n })),
    previous: asked.view === 'month' ? monthLater(month, -1) : dateLater(from, -AGENDA_DAYS),
    next: asked.view === 'month' ? monthLater(month, 1) : dateLater(from, AGENDA_DAYS),
  };
}
