'use client';

import { courseAt, deskAt, discussionsAt, newOutsideAt } from '@/contract/addresses';
import { firstChange } from '@/core/deadlines/next-change';
import { instant } from '@/core/ids';
import Link from 'next/link';
import { RefreshAt } from '../frame/refresh-at';
import { dayOf } from '../words/time';
import { listAddress } from './address';
import { Filters } from './filters';
import { DiscussionLine } from './line';
import type { DiscussionList } from '@/contract/discussion-list';

const PLACE = { now: 0, coming: 1, past: 2 };

/** This week first, then what comes, then what was, the latest first: the order in which one looks for a prompt. */
function inOrder(weeks: DiscussionList['weeks']): DiscussionList['weeks'] {
  return [...weeks].sort(
    (a, b) =>
      PLACE[a.when] - PLACE[b.when] ||
      (a.when === 'past' ? b.startsOn.localeCompare(a.startsOn) : a.startsOn.localeCompare(b.startsOn)),
  );
}

function weekName(group: DiscussionList['weeks'][number]): string {
  const numbers = new Set(group.lines.map((l) => l.week));
  const [only] = numbers;
  return numbers.size === 1 ? `Week ${only}` : 'The week';
}

/** Every discussion of every course by week, with its filters. */
export function DiscussionList({ list }: { list: DiscussionList }) {
  const { ask, weeks, earlier, later } = list;
  const filtered = Boolean(ask.course ?? ask.state ?? ask.needs);
  return (
    <main id="main" className="mx-auto grid max-w-[1100px] gap-5 px-4 py-6 sm:px-7">
      <RefreshAt
        now={list.now}
        at={firstChange(
          weeks.flatMap((w) => w.lines.map((l) => l.schedule)),
          instant(list.now),
        )}
      />
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[25px]">Discussions</h1>
        <Link className="btn" href={newOutsideAt()}>
          Bring in a discussion from elsewhere
        </Link>
      </div>
      {list.enrolled.length === 0 ? (
        <p className="plate px-5 py-4 text-ink-2">You are not enrolled in a course yet.</p>
      ) : (
        <nav aria-label="Your courses">
          <ul className="flex flex-wrap gap-x-5 gap-y-1 text-[13.5px]">
            {list.enrolled.map((c) => (
              <li key={c.slug}>
                <Link
                  className="link inline-flex min-h-6 items-center"
                  href={(c.staff ? deskAt : courseAt)(c.slug)}
                >
                  {c.code} {c.title}
                  {list.enrolled.some((o) => o !== c && o.code === c.code) ? `, ${c.term}` : ''}
                </Link>
              </li>
            ))}
          </ul>
        </nav>
      )}
      {list.courses.length ? <Filters list={list} /> : null}
      {inOrder(weeks).map((group) => (
        <section key={group.startsOn} aria-labelledby={`w-${group.startsOn}`}>
          <h2 id={`w-${group.startsOn}`} className="mb-2 text-[18px]">
            {weekName(group)}{' '}
            <span className="font-sans text-[12.5px] font-normal tracking-normal text-ink-2">
              from {dayOf(group.startsOn)}
              {group.when === 'now' ? ' · this week' : ''}
            </span>
          </h2>
          <ul className="plate overflow-hidden">
            {group.lines.map((line) => (
              <DiscussionLine key={line.slug} line={line} now={list.now} zone={list.zone} />
            ))}
          </ul>
        </section>
      ))}
      {weeks.length === 0 && list.enrolled.length > 0 ? (
        <p className="plate px-5 py-4 text-ink-2">
          {ask.needs === 'me'
            ? 'Nothing here needs you now. '
            : filtered
              ? 'No discussion is like that. '
              : 'There is no discussion yet. '}
          {filtered ? (
            <Link className="link" href={discussionsAt()}>
              Show all discussions
            </Link>
          ) : null}
        </p>
      ) : null}
      {earlier || later ? (
        <nav aria-label="Other weeks" className="flex flex-wrap gap-2">
          {earlier ? (
            <Link className="btn" href={listAddress(ask, { week: earlier })}>
              Earlier weeks
            </Link>
          ) : null}
          {ask.week ? (
            <Link className="btn" href={listAddress(ask, { week: undefined })}>
              This week
            </Link>
          ) : null}
          {later ? (
            <Link className="btn" href={listAddress(ask, { week: later })}>
              Later weeks
            </Link>
          ) : null}
        </nav>
      ) : null}
    </main>
  );
}
