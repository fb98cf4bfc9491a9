import { planAt } from '@/contract/addresses';
import Link from 'next/link';
import type { Owed } from '@/core/week/owed';
import { plural } from '../words/plural';
import { deadlineText } from '../words/deadlines';
import { clockTime, moment, partOfDay, zoneName } from '../words/time';
import { summarise } from '@/core/counting/summary';
import { minutesText, rangeText } from '../words/work';
import type { WeekLine, ThisWeek } from '@/contract/week';

/** What waits for who teaches: reports first, then what the class wrote and they have not read. */
function TeachingSentence({ lines }: { lines: WeekLine[] }) {
  const reports = lines.reduce((n, l) => n + (l.teaching?.reports ?? 0), 0);
  const unread = lines.reduce((n, l) => n + l.unread, 0);
  const waits = [
    ...(reports ? [plural(reports, 'reported post')] : []),
    ...(unread ? [plural(unread, 'unread post')] : []),
  ];
  return waits.length ? (
    <>
      Your courses have <b className="font-bold text-pine-ink">{waits.join(' and ')}</b> for you.
    </>
  ) : (
    'Nothing in your courses waits for you.'
  );
}

const roughly = (before: number, now: number, zone: string) => {
  const days = (before - now) / 86_400_000;
  const when = partOfDay(before - 60_000, zone);
  return days > 6.5 ? `${when} of next week` : when;
};

/** The sentence the page begins with: what is owed, and before when. */
export function OwedSentence({
  owed,
  now,
  zone,
  lines,
  ahead,
  inCourses,
}: {
  owed: Owed;
  now: number;
  zone: string;
  lines: WeekLine[];
  ahead: ThisWeek['ahead'];
  inCourses: boolean;
}) {
  const things = [
    ...(owed.responses ? [plural(owed.responses, 'response')] : []),
    ...(owed.replies ? [plural(owed.replies, 'reply', 'replies')] : []),
  ];
  const line = lines[0];
  const next = line?.ledger ? summarise(line.ledger, now).next : null;
  return (
    <div>
      <h1 className="text-[23px] leading-tight sm:text-[27px]">
        {things.length && owed.before ? (
          <>
            You owe{' '}
            {things.map((t, i) => (
              <span key={t}>
                {i > 0 ? ' and ' : ''}
                <b className="font-bold text-pine-ink">{t}</b>
              </span>
            ))}{' '}
            before{' '}
            <span className="bg-[linear-gradient(transparent_62%,var(--mark)_62%)]">
              {roughly(owed.before, now, zone)}
            </span>
            .
          </>
        ) : lines.some((l) => l.ledger) || !inCourses ? (
          'You owe nothing this week.'
        ) : (
          <TeachingSentence lines={lines} />
        )}
      </h1>
      {things.length && line && next ? (
        <p className="mt-1.5 text-[14.5px] text-ink-2">
          <Link
            href={planAt()}
            className="underline decoration-rule underline-offset-4 hover:decoration-ink-2"
          >
            About {minutesText(ahead.work.likely)} of work
          </Link>{' '}
          at {ahead.sittings > 0 ? 'your' : 'a usual'} pace ({rangeText(ahead.work)}). Next: your{' '}
          {line.course.code} {next.obligation.kind},{' '}
          {now < next.deadline.due
            ? `due ${deadlineText(next.deadline, line.schedule.zone)}${
                line.schedule.zone === zone ? '' : ` in ${zoneName(line.schedule.zone)}`
              }`
            : `late, and still taken until ${moment(next.deadline.closes - 60_000, zone)}`}
          {ahead.next
            ? `; if you start now, it is done by ${clockTime(now + ahead.next.minutes * 60_000, zone)}.`
            : '.'}
        </p>
      ) : null}
    </div>
  );
}
