import { taskName } from '../words/calendar';
import { list } from '../words/plural';
import { clockTime, dayOf } from '../words/time';
import { busyText } from './busy-line';
import { EntryLine } from './entry';
import { MeetingLine } from './meeting';
import type { CalendarViewProps } from '@/contract/calendar';

/** The days of four weeks that have something in them, as a list. */
export function Agenda({
  days,
  zone,
  assignments,
}: Pick<CalendarViewProps, 'days' | 'zone' | 'assignments'>) {
  const full = days.filter((d) => d.entries.length + d.meetings.length + d.sittings.length > 0);
  const nameOf = (id: string) => {
    const found = assignments.find((a) => a.id === id);
    return found ? taskName(found) : '';
  };
  if (full.length === 0) {
    return <p className="plate px-5 py-4 text-ink-2">Nothing is due, opens or closes in these four weeks.</p>;
  }
  return (
    <div className="grid gap-4">
      {full.map((day) => (
        <section key={day.date} aria-labelledby={`d-${day.date}`}>
          <h2 id={`d-${day.date}`} className={`mb-1.5 text-[16px] ${day.today ? 'text-ochre-ink' : ''}`}>
            {dayOf(day.date)}
            {day.today ? ', today' : ''}
          </h2>
          <ul className="plate overflow-hidden">
            {day.entries.map((e) => (
              <EntryLine key={e.uid} entry={e} zone={zone} />
            ))}
            {day.meetings.map((m) => (
              <MeetingLine key={m.uid} meeting={m} zone={zone} />
            ))}
            {day.sittings.map((s) => (
              <li
                key={s.start}
                className="border-t border-rule-soft bg-pine-tint px-3.5 py-2 text-[13px] first:border-t-0"
              >
                <b>
                  {clockTime(s.start, zone)} to {clockTime(s.end, zone)}
                </b>{' '}
                planned sitting: {list([...new Set(s.pieces.map((p) => nameOf(p.task)))])}
              </li>
            ))}
            {day.busy.map((b, i) => (
              <li key={`b${i}`} className="border-t border-rule-soft px-3.5 py-1.5 text-[12.5px] text-ink-2">
                busy {busyText(b, day, zone)}: {b.title}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
