import {
  busyAt,
  calendarFeedAt,
  calendarOffersAt,
  followCalendarAt,
  removeBusyAt,
  unfollowCalendarAt,
} from '@/contract/addresses';
import type { ImportProblem } from '@/core/calendar/import';
import { calendarTroubleText, importProblemText } from '../words/imports';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { AnswerLine, type Answer } from '../frame/answer';
import { FeedAddress, type FeedView } from '../frame/feed-address';
import { CalendarHead } from './head';

export type ElsewhereView = {
  zone: string;
  feed: FeedView | null;
  calendars: {
    id: string;
    name: string;
    importedAt: number;
    coversUntil: number;
    times: number;
    problems: ImportProblem[];
  }[];
  /** Calendars of other places whose dates are asked for every hour. */
  followed: {
    id: string;
    name: string;
    readAt: number | null;
    trouble: string | null;
    dates: number;
    offers: number;
  }[];
  /** What became of a form sent just now. */
  answer: Answer | null;
};

const SHOWN = 12;

function Feed({ feed, zone }: Pick<ElsewhereView, 'feed' | 'zone'>) {
  return (
    <section aria-labelledby="feed" className="plate px-5 py-4">
      <h2 id="feed" className="text-[18px]">
        Your deadlines in another calendar
      </h2>
      <p className="mt-1 max-w-[70ch] text-[14px] text-ink-2">
        A private address that any calendar program can subscribe to. It holds one entry for each deadline,
        says what is still owed, and follows when something is done or extended. Whoever knows the address can
        read it.
      </p>
      <FeedAddress feed={feed} zone={zone} action={calendarFeedAt()} />
    </section>
  );
}

function Imported({ calendar, zone }: { calendar: ElsewhereView['calendars'][number]; zone: string }) {
  const { problems } = calendar;
  return (
    <li className="border-t border-rule-soft py-3">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <p className="min-w-0">
          <b className="block truncate">{calendar.name}</b>
          <span className="text-[13px] text-ink-2">
            {plural(calendar.times, 'busy time')} · imported {moment(calendar.importedAt, zone)} · reaches to{' '}
            {moment(calendar.coversUntil, zone)}
          </span>
        </p>
        <form action={removeBusyAt()} method="post">
          <button className="btn" name="id" value={calendar.id}>
            Remove <span className="sr-only">{calendar.name}</span>
          </button>
        </form>
      </div>
      {problems.length ? (
        <details className="mt-2 rounded-control bg-ochre-tint px-3 py-2 text-[13px]" open>
          <summary className="font-semibold text-ochre-ink">
            {plural(problems.length, 'thing')} to know about this file
          </summary>
          <ul className="mt-1 grid gap-1">
            {problems.slice(0, SHOWN).map((p, i) => (
              <li key={i}>{importProblemText(p)}</li>
            ))}
            {problems.length > SHOWN ? <li>and {problems.length - SHOWN} more.</li> : null}
          </ul>
        </details>
      ) : null}
    </li>
  );
}

function Followed({ followed, zone }: Pick<ElsewhereView, 'followed' | 'zone'>) {
  return (
    <section aria-labelledby="followed" className="plate px-5 py-4">
      <h2 id="followed" className="text-[18px]">
        Deadlines of courses elsewhere
      </h2>
      <p className="mt-1 max-w-[70ch] text-[14px] text-ink-2">
        Your other college gives its calendar an address that ends in .ics. Pulpit asks for it every hour,
        finds the discussions in it, and offers to make those that are not here and to move those whose dates
        changed. The address is kept sealed, and nothing is made unless you say so.
      </p>
      <form action={followCalendarAt()} method="post" className="mt-3 flex flex-wrap items-end gap-2">
        <label className="grid min-w-0 grow basis-[280px] gap-1 font-semibold">
          Its address
          <input
            className="field font-normal"
            name="address"
            inputMode="url"
            placeholder="https://…/calendar.ics"
            maxLength={2000}
            required
            autoComplete="off"
          />
        </label>
        <label className="grid min-w-0 basis-[180px] gap-1 font-semibold">
          What you call it
          <input className="field font-normal" name="name" maxLength={80} autoComplete="off" />
        </label>
        <button className="btn go">Follow it</button>
      </form>
      <ul className="mt-3">
        {followed.map((c) => (
          <li
            key={c.id}
            className="flex flex-wrap items-start justify-between gap-3 border-t border-rule-soft py-3"
          >
            <p className="min-w-0 grow basis-[260px]">
              <b className="block truncate">{c.name}</b>
              <span className="text-[13px] text-ink-2">
                {plural(c.dates, 'date')}
                {c.readAt === null ? '' : ` · read ${moment(c.readAt, zone)}`}
              </span>
              {c.trouble ? (
                <span className="block text-[13px] text-brick">
                  {calendarTroubleText(c.trouble)} What was read before stays; it is asked for again by
                  itself.
                </span>
              ) : null}
            </p>
            <div className="flex flex-wrap gap-2">
              {c.offers ? (
                <form action={calendarOffersAt(c.id)} method="post">
                  <button className="btn go">
                    Look through {plural(c.offers, 'discussion')}
                    <span className="sr-only"> of {c.name}</span>
                  </button>
                </form>
              ) : null}
              <form action={unfollowCalendarAt()} method="post">
                <button className="btn" name="id" value={c.id}>
                  Follow no more <span className="sr-only">{c.name}</span>
                </button>
              </form>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The way out (a feed) and the ways in (deadlines from a calendar elsewhere, busy times from a file). */
export function Elsewhere({ view }: { view: ElsewhereView }) {
  return (
    <main id="main" className="mx-auto grid max-w-[900px] gap-4 px-4 py-6 sm:px-7">
      <CalendarHead room="elsewhere" title="Other calendars" />
      <AnswerLine answer={view.answer} />
      <Feed feed={view.feed} zone={view.zone} />
      <Followed followed={view.followed} zone={view.zone} />
      <section aria-labelledby="busy" className="plate px-5 py-4">
        <h2 id="busy" className="text-[18px]">
          When you are busy
        </h2>
        <p className="mt-1 max-w-[70ch] text-[14px] text-ink-2">
          Shifts, lectures, trains: import an .ics file and Pulpit plans around it. Only you see it. Importing
          a file of the same name again replaces it.
        </p>
        <form
          action={busyAt()}
          method="post"
          encType="multipart/form-data"
          className="mt-3 flex flex-wrap items-end gap-2"
        >
          <label className="grid min-w-0 gap-1 font-semibold">
            An .ics file
            <input
              className="field font-normal"
              type="file"
              name="file"
              accept=".ics,.ical,text/calendar"
              required
            />
          </label>
          <button className="btn go" type="submit">
            Import busy times
          </button>
        </form>
        <ul className="mt-3">
          {view.calendars.map((c) => (
            <Imported key={c.id} calendar={c} zone={view.zone} />
          ))}
        </ul>
      </section>
    </main>
  );
}
