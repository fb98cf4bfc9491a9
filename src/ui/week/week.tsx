'use client';

import { accountAt, newOutsideAt } from '@/contract/addresses';
import { firstChange } from '@/core/deadlines/next-change';
import { instant } from '@/core/ids';
import Link from 'next/link';
import { AppBadge } from '../frame/app-badge';
import { RefreshAt } from '../frame/refresh-at';
import { OwedSentence } from './owed-sentence';
import { Rail } from './rail';
import { Since } from './since';
import type { ThisWeek } from '@/contract/week';
import { WeekLine } from './week-line';

export function Week({ week }: { week: ThisWeek }) {
  const { now, zone, lines } = week;
  const teaches = lines.some((l) => l.teaching !== null);
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
            Bring in its prompt
          </Link>{' '}
          and it stands here too.
        </p>
      </div>
      <Since
        toSign={week.toSign}
        toBegin={week.toBegin}
        since={week.since}
        announcements={week.announcements}
        more={week.moreAnnouncements}
        teaches={teaches}
        zone={zone}
        now={now}
      />
    </main>
  );
}
