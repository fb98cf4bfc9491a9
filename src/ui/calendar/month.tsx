import { calendarAt, planAt } from '@/contract/addresses';
import { clockTime, dayOf } from '../words/time';
import { entryStatus } from '@/core/calendar/entries';
import { busyText } from './busy-line';
import { EntryInDay } from './entry';
import { MeetingInDay } from './meeting';
import type { CalendarViewProps, DayView } from '@/contract/calendar';
import Link from 'next/link';

const chunks = <T,>(rows: T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(rows.length / size) }, (_, i) => rows.slice(i * size, (i + 1) * size));

function Busy({ day, zone }: { day: DayView; zone: string }) {
  return day.busy.slice(0, 3).map((b, i) => (
    <p
      key={i}
      className="truncate bg-[repeating-linear-gradient(135deg,var(--rule-soft)_0_3px,transparent_3px_6px)] px-1 text-[11px] leading-snug text-ink-2"
      title={`${b.title}, ${busyText(b, day, zone)}`}
    >
      {busyText(b, day, zone)} {b.title}
    </p>
  ));
}

const DOTS = {
  owed: 'rounded-full bg-ochre',
  other: 'rounded-full border border-ink-3',
  sitting: 'bg-pine',
};
const Dot = ({ kind }: { kind: keyof typeof DOTS }) => (
  <span aria-hidden className={`inline-block size-[7px] ${DOTS[kind]}`} />
);

function Day({ day, zone }: { day: DayView; zone: string }) {
  const number = Number(day.date.slice(8));
  const marks = day.entries.length + day.meetings.length + day.sittings.length;
  return (
    <td
      className={`h-[104px] border-l border-rule-soft align-top first:border-l-0 max-sm:h-14 ${day.inside ? 'bg-page' : 'bg-page-2'} ${
        day.today ? 'shadow-[inset_0_3px_var(--ochre)]' : ''
      }`}
    >
      <Link
        href={calendarAt({ view: 'agenda', day: day.date })}
        className={`block min-h-6 px-1.5 pt-1 text-[12.5px] hover:underline ${day.today ? 'font-bold text-ochre-ink' : day.inside ? 'font-semibold' : 'text-ink-2'}`}
        aria-label={`${dayOf(day.date)}${day.today ? ', today' : ''}: ${marks === 0 ? 'nothing' : `${marks} in the agenda`}`}
      >
        {number}
        {marks ? (
          <span aria-hidden className="mt-0.5 flex flex-wrap gap-0.5 sm:hidden">
            {day.entries.map((e) => (
              <Dot key={e.uid} kind={entryStatus(e).code === 'owed' ? 'owed' : 'other'} />
            ))}
            {day.meetings.map((m) => (
              <Dot key={m.uid} kind="other" />
            ))}
            {day.sittings.map((s) => (
              <Dot key={s.start} kind="sitting" />
            ))}
          </span>
        ) : null}
      </Link>
      <div className="hidden gap-1 px-1 pb-1 sm:grid">
        {day.entries.map((e) => (
          <EntryInDay key={e.uid} entry={e} zone={zone} />
        ))}
        {day.meetings.map((m) => (
          <MeetingInDay key={m.uid} meeting={m} zone={zone} />
        ))}
        {day.sittings.map((s) => (
          <Link
            key={s.start}
            href={planAt()}
            className="block min-h-6 content-center rounded-[3px] bg-pine-tint px-1 text-[11.5px] leading-snug text-pine-ink hover:underline"
          >
            {clockTime(s.start, zone)} to {clockTime(s.end, zone)} sitting
          </Link>
        ))}
        <Busy day={day} zone={zone} />
      </div>
    </td>
  );
}

/** A month by whole weeks. On a phone each day shows only that there is something, and leads to its agenda. */
export function Month({ days, zone }: Pick<CalendarViewProps, 'days' | 'zone'>) {
  return (
    <div>
      <p aria-hidden className="mb-2 flex flex-wrap items-center gap-x-4 text-[12.5px] text-ink-2 sm:hidden">
        <span>
          <Dot kind="owed" /> still owed
        </span>
        <span>
          <Dot kind="other" /> other entry
        </span>
        <span>
          <Dot kind="sitting" /> planned sitting
        </span>
      </p>
      <table className="plate w-full table-fixed border-separate border-spacing-0 overflow-hidden">
        <thead>
          <tr>
            {days.slice(0, 7).map((d) => (
              <th
                key={d.date}
                scope="col"
                className="border-b border-rule px-1.5 py-1.5 text-left text-[12px] text-ink-2"
              >
                {dayOf(d.date).slice(0, 3)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {chunks(days, 7).map((week) => (
            <tr key={week[0]?.date} className="[&:not(:first-child)>td]:border-t">
              {week.map((day) => (
                <Day key={day.date} day={day} zone={zone} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
