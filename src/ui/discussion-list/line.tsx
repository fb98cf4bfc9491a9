import { conversationAt, courseWeekAt, discussionAt } from '@/contract/addresses';
import { owesNothing, summarise } from '@/core/counting/summary';
import Link from 'next/link';
import { LiveUntil } from '../frame/live-until';
import { Tally } from '../tally/tally';
import { deadlineText, lateShort, movedText, ownTimeShort } from '../words/deadlines';
import { plural } from '../words/plural';
import { standing } from '../words/status';
import { stateName } from '../words/states';
import { moment } from '../words/time';
import type { DiscussionLine } from '@/contract/discussion-list';

const TONES = { calm: '', warm: 'text-ochre-ink', hot: 'text-brick', done: 'text-pine-ink' };

function Deadlines({ line, zone }: { line: DiscussionLine; zone: string }) {
  const { schedule, ledger } = line;
  const replies = ledger ? ledger.obligations.length > 1 : true;
  const row = (name: string, deadline: typeof schedule.response) => {
    const own = ownTimeShort(deadline, schedule.zone, zone);
    return (
      <span className="block">
        {name} <span className="whitespace-nowrap">{deadlineText(deadline, schedule.zone)}</span>
        {own ? <span className="whitespace-nowrap"> ({own} yours)</span> : null}
        {deadline.movedFrom === null ? '' : ` · ${movedText(deadline.movedFrom, schedule.zone)}`}
      </span>
    );
  };
  return (
    <>
      {row('Response', schedule.response)}
      {replies ? row('Replies', schedule.replies) : null}
    </>
  );
}

/** One discussion among all: its tally, state in words, both deadlines, and what is new in it. */
export function DiscussionLine({ line, now, zone }: { line: DiscussionLine; now: number; zone: string }) {
  const s = standing(line, now);
  // Still open, but there is nothing left that could be shared for it.
  const lost = line.ledger !== null && !line.ledger.complete && summarise(line.ledger, now).next === null;
  const quiet = line.state === 'closed' || line.state === 'upcoming';
  const news = [
    ...(line.unreadReplies ? [plural(line.unreadReplies, 'reply to you', 'replies to you')] : []),
    ...(line.unread ? [`${line.unread} unread${line.sealed ? ', sealed' : ''}`] : []),
  ];
  return (
    <li
      className={`grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 border-t border-rule-soft px-4 py-3 first:border-t-0 lg:grid-cols-[minmax(0,1fr)_76px_250px_150px] ${
        quiet ? 'bg-page-2' : ''
      }`}
    >
      <div className="min-w-0">
        <p className="text-[12px] font-semibold text-ink-3">
          <Link
            href={courseWeekAt(line.course.slug, line.week)}
            className="inline-flex min-h-7 items-center hover:underline"
          >
            {line.course.code} · Week {line.week}
          </Link>
          {line.course.outside ? ' · not hosted here' : ''}
        </p>
        <h3 className={`text-[15.5px] leading-snug ${quiet ? '!font-normal' : ''}`}>
          <Link href={discussionAt(line.slug)} className="title-link">
            {line.title}
          </Link>
        </h3>
      </div>
      <span>{line.ledger ? <Tally ledger={line.ledger} /> : null}</span>
      <div className="col-span-2 text-[12.5px] text-ink-2 lg:col-span-1">
        <b className={`block text-[13px] ${quiet ? 'text-ink' : TONES[s.due.tone]}`}>
          {stateName(line.state)}
          <span className="font-normal text-ink-2">
            {line.state === 'upcoming'
              ? `, opens ${moment(line.schedule.opens, line.schedule.zone)}`
              : line.ledger?.complete
                ? ` · ${s.due.head.toLowerCase()}`
                : line.state === 'closed' && line.ledger
                  ? ` · ${s.detail.split(';')[0]?.toLowerCase()}`
                  : null}
            {!quiet && lost ? ` · ${s.detail.split(';')[0]?.toLowerCase()}` : null}
            {quiet || lost || line.ledger?.complete ? null : (
              <>
                {' · '}
                {s.due.live ? (
                  <LiveUntil
                    now={now}
                    to={s.due.live.to}
                    before={s.due.live.before.toLowerCase()}
                    after={s.due.live.after}
                    passed={s.due.head.toLowerCase()}
                  />
                ) : (
                  s.due.head.toLowerCase()
                )}
              </>
            )}
          </span>
        </b>
        {line.ledger && owesNothing(line.ledger) === 'not-asked' ? null : (
          <Deadlines line={line} zone={zone} />
        )}
      </div>
      <div className="col-span-2 text-[12.5px] lg:col-span-1 lg:text-right">
        {news.map((text, i) => (
          <Link
            key={text}
            href={line.sealed ? conversationAt(line.slug) : conversationAt(line.slug, { show: 'unread' })}
            className={`block min-h-6 content-center hover:underline ${i === 0 && line.unreadReplies ? 'font-semibold text-sky' : 'text-ink-2'}`}
          >
            {text}
            <span className="sr-only"> in {line.title}</span>
          </Link>
        ))}
        {line.state === 'upcoming' ? null : (
          <span className="text-ink-3">{lateShort(line.schedule.late)}</span>
        )}
      </div>
    </li>
  );
}
