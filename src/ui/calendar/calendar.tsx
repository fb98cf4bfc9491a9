'use client';

import { calendarAt } from '@/contract/addresses';
import { ArrowLeft, ArrowRight } from 'lucide-react';
import Link from 'next/link';
import { dayOf, monthName, zoneName } from '../words/time';
import { Agenda } from './agenda';
import { CalendarHead } from './head';
import { Month } from './month';
import type { CalendarViewProps } from '@/contract/calendar';

/** The calendar: a month or an agenda, in the reader's own zone. */
export function Calendar(props: CalendarViewProps) {
  const { view, month, from } = props;
  const to = (at: string) =>
    view === 'month' ? calendarAt({ month: at }) : calendarAt({ view: 'agenda', day: at });
  return (
    <main id="main" className="mx-auto grid max-w-[1200px] gap-4 px-4 py-6 sm:px-7">
      <CalendarHead room={view} title={view === 'month' ? monthName(month) : `From ${dayOf(from)}`} />
      <div className="flex flex-wrap items-center gap-2">
        <Link className="btn" href={to(props.previous)}>
          <ArrowLeft size={15} aria-hidden />{' '}
          {view === 'month' ? monthName(props.previous) : 'Four weeks back'}
        </Link>
        <Link className="btn" href={view === 'month' ? calendarAt() : calendarAt({ view: 'agenda' })}>
          Today
        </Link>
        <Link className="btn" href={to(props.next)}>
          {view === 'month' ? monthName(props.next) : 'Four weeks on'} <ArrowRight size={15} aria-hidden />
        </Link>
        <p className="text-[13px] text-ink-2">Times are yours, in {zoneName(props.zone)}.</p>
      </div>
      {view === 'month' ? <Month {...props} /> : <Agenda {...props} />}
    </main>
  );
}
