'use client';

import { accountAt, elsewhereAt, newOutsideAt, readingAt, roomAt, weekAt } from '@/contract/addresses';
import { firstChange } from '@/core/deadlines/next-change';
import { instant } from '@/core/ids';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { AppBadge } from '../frame/app-badge';
import { RefreshAt } from '../frame/refresh-at';
import { OwedSentence } from './owed-sentence';
import { Rail } from './rail';
import type { ThisWeek } from '@/contract/week';
import { useKeptForLater } from '../writing/without-network';
import { WeekLine } from './week-line';

/** Of so many discussions the pages are kept for when there is no network. */
const MOST_KEPT = 5;

/** What stands in the middle of This week; what stands beside it is drawn by the server and comes with it. */
type WeekProps = Omit<
  ThisWeek,
  'since' | 'toSign' | 'toBegin' | 'offering' | 'announcements' | 'moreAnnouncements'
>;

export function Week({ week, mine, since }: { week: WeekProps; mine: boolean; since: ReactNode }) {
  const { now, zone, lines } = week;
  const teaches = lines.some((l) => l.teaching !== null);
  useKeptForLater([
    weekAt(),
    ...lines
      .filter((l) => l.state !== 'upcoming' && l.state !== 'closed')
      .slice(0, MOST_KEPT)
      .flatMap((l) => [roomAt(l.slug, 'response'), ...(l.sealed ? [] : [roomAt(l.slug, 'conversation')])]),
    ...week.later.conversations.slice(0, MOST_KEPT).map((slug) => roomAt(slug, 'conversation')),
    ...week.later.readings.slice(0, MOST_KEPT).map((slug) => readingAt(slug)),
  ]);
  return (
    <main id="main" className="mx-auto grid max-w-[1400px] gap-6 px-4 py-6 sm:px-7 xl:grid-cols-[1fr_292px]">
      <RefreshAt
        now={now}
        at={firstChange(
          lines.map((l) => l.schedule),
          instant(now),
        )}
      />
      <AppBadge n={week.owed.responses + week.owed.replies} />
      <div className="min-w-0">
        <OwedSentence
          owed={week.owed}
          now={now}
          zone={zone}
          lines={lines}
          ahead={week.ahead}
          inCourses={week.inCourses}
        />
        <Rail rail={week.rail} now={now} zone={zone} />
        {lines.length ? (
          <ul className="plate mt-4">
            {lines.map((line) => (
              <WeekLine key={line.slug} line={line} now={now} zone={zone} />
            ))}
          </ul>
        ) : (
          <p className="plate mt-4 px-5 py-4 text-ink-2">
            {week.inCourses ? (
              'Nothing is open this week. All past and coming discussions are under Discussions.'
            ) : mine ? (
              <>
                This Pulpit is yours alone, on this machine. Nothing is in it yet:{' '}
                <Link className="link" href={newOutsideAt()}>
                  bring in a discussion or a whole syllabus
                </Link>
                , or{' '}
                <Link className="link" href={elsewhereAt()}>
                  follow the calendar
                </Link>{' '}
                of your courses.
              </>
            ) : (
              <>
                You are in no course here yet. Whoever teaches one can invite you; where you were given a
                code,{' '}
                <Link className="link" href={`${accountAt()}#courses`}>
                  join by it
                </Link>
                .
              </>
            )}
          </p>
        )}
        <p className={teaches ? 'hidden' : 'mt-3 text-[13px] text-ink-2'}>
          A course that is not in Pulpit?{' '}
          <Link className="link" href={newOutsideAt()}>
            Bring in a discussion
          </Link>{' '}
          from there, and it stands here too.
        </p>
      </div>
      {since}
    </main>
  );
}
