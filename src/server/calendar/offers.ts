import { calendarRows, courseOfEntries } from '@/core/elsewhere/calendar-rows';
import { keyOfRow, type Term } from '@/core/elsewhere/term';
import { followedCalendars, keepOffers, type FollowedCalendar } from '@/db/queries/followed-calendars';
import type { Actor, Deps } from '../deps';
import { againstNow } from '../outside/term';

/** What a calendar names that is not here, or stands here with other deadlines, without what was put aside. */
export async function offersOf(
  deps: Deps,
  actor: Actor,
  { dates, putAside }: Pick<FollowedCalendar, 'dates' | 'putAside'>,
): Promise<Pick<Term, 'course' | 'rows'>> {
  const course = courseOfEntries(dates);
  const rows = calendarRows(dates).filter((r) => !putAside.includes(keyOfRow(r)));
  const said = rows.map((r) => ({ ...r, take: true }));
  const against = await againstNow(deps.db, actor, { course, rows: said });
  return { course, rows: rows.filter((_, i) => against[i]?.what !== 'known') };
}

/** Counts anew what the calendars of a person offer. */
export async function offersNow(deps: Deps, actor: Actor) {
  for (const calendar of await followedCalendars(deps.db, actor.id)) {
    const { rows } = await offersOf(deps, actor, calendar);
    if (rows.length !== calendar.offers) await keepOffers(deps.db, calendar.id, rows.length);
  }
}
