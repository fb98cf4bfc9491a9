import Link from 'next/link';
import { Tally } from '../tally/tally';
import { deadlineText } from '../words/deadlines';
import { standing } from '../words/standing';
import { moment, zoneName } from '../words/time';
import type { ShelfView } from './types';

const STATE = {
  upcoming: 'Not open yet',
  open: 'Open',
  closing: 'Closing within a day',
  late: 'Open for late work',
  closed: 'Closed, for reading',
} as const;

/** All discussions by course, the latest week first. Closed ones look closed and say so. */
export function Shelves({ shelves, now }: { shelves: ShelfView[]; now: number }) {
  return (
    <main id="main" className="mx-auto grid max-w-[1100px] gap-6 px-4 py-6 sm:px-7">
      <h1 className="text-[25px]">Discussions</h1>
      {shelves.map((shelf) => (
        <section key={shelf.code} aria-labelledby={`c-${shelf.code}`}>
          <h2 id={`c-${shelf.code}`} className="mb-2 text-[18px]">
            {shelf.code} <span className="font-normal text-ink-2">{shelf.title}</span>{' '}
            <span className="font-sans text-[12.5px] font-normal tracking-normal text-ink-2">
              times in {zoneName(shelf.zone)}
            </span>
          </h2>
          <ul className="plate overflow-hidden">
            {shelf.discussions.map((d) => {
              const quiet = d.state === 'closed' || d.state === 'upcoming';
              const s = standing({ ...d, replyDrafts: 0, newReplies: 0, sealed: false }, now);
              return (
                <li
                  key={d.slug}
                  className={`grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 border-t border-rule-soft px-4 py-3 first:border-t-0 md:grid-cols-[64px_1fr_84px_250px] ${
                    quiet ? 'bg-page-2' : ''
                  }`}
                >
                  <span className="text-[12.5px] font-semibold text-ink-3">Week {d.week}</span>
                  <span className="order-last col-span-2 min-w-0 md:order-none md:col-span-1">
                    <Link
                      href={`/discussions/${d.slug}`}
                      className={`font-serif text-[15.5px] hover:underline ${quiet ? '' : 'font-semibold'}`}
                    >
                      {d.title}
                    </Link>
                  </span>
                  <span>{d.ledger ? <Tally ledger={d.ledger} /> : null}</span>
                  <span className="order-last col-span-2 text-[12.5px] text-ink-2 md:order-none md:col-span-1">
                    <b className="text-ink">{STATE[d.state]}</b>
                    {d.ledger && d.state !== 'upcoming'
                      ? ` · ${s.due.tone === 'done' ? s.due.head.toLowerCase() : s.detail.split(';')[0]}`
                      : ''}
                    <span className="block">
                      {d.state === 'upcoming'
                        ? `opens ${moment(d.schedule.opens, d.schedule.zone)}`
                        : `${deadlineText(d.schedule.response, d.schedule.zone)} · ${deadlineText(d.schedule.replies, d.schedule.zone)}`}
                    </span>
                  </span>
                </li>
              );
            })}
          </ul>
        </section>
      ))}
      {shelves.length === 0 ? (
        <p className="plate px-5 py-4 text-ink-2">You are not enrolled in a course yet.</p>
      ) : null}
    </main>
  );
}
