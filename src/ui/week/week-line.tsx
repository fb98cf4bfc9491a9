import { moderationLogAt, courseWeekAt, discussionAt, roomAt } from '@/contract/addresses';
import Link from 'next/link';
import { LiveUntil } from '../frame/live-until';
import { Tally } from '../tally/tally';
import { ownTimeText } from '../words/deadlines';
import { plural } from '../words/plural';
import { standing } from '../words/status';
import { summarise } from '@/core/counting/summary';
import type { WeekLine } from '@/contract/week';

const TONES = { calm: '', warm: 'text-ochre-ink', hot: 'text-brick', done: 'text-pine-ink' };

const teachingText = (t: NonNullable<WeekLine['teaching']>, unread: number) =>
  [
    `${t.responses} of ${plural(t.students, 'student')} have responded`,
    ...(unread ? [`${unread} unread`] : ['all read']),
    ...(t.reports ? [plural(t.reports, 'report') + ' to settle'] : []),
  ].join(' · ');

/** One discussion on This week: title, tally, where it stands, its deadline, and the one thing to do. */
export function WeekLine({ line, now, zone }: { line: WeekLine; now: number; zone: string }) {
  const s = standing(line, now);
  const next = line.ledger && summarise(line.ledger, now).next;
  const own = next ? ownTimeText(next.deadline, line.schedule.zone, zone) : null;
  const reported = (line.teaching?.reports ?? 0) > 0;
  const href = reported ? moderationLogAt(line.slug) : roomAt(line.slug, s.action.room);
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-2 border-t border-rule-soft px-4 py-3.5 first:border-t-0 lg:grid-cols-[1fr_72px_208px_168px]">
      <div className="col-span-2 lg:col-span-1">
        <p className="text-[12px] font-semibold text-ink-3">
          <Link
            href={courseWeekAt(line.course.slug, line.week)}
            className="inline-flex min-h-7 items-center hover:underline"
          >
            {line.course.code} · Week {line.week}
          </Link>
          {line.course.outside ? ' · not hosted here' : ''}
        </p>
        <h2 className="text-[16.5px] leading-snug">
          <Link href={discussionAt(line.slug)} className="title-link">
            {line.title}
          </Link>
        </h2>
        <p className="text-[13px] text-ink-2">
          {line.teaching ? teachingText(line.teaching, line.unread) : s.detail}
        </p>
      </div>
      <div className="order-2 lg:order-none">{line.ledger ? <Tally ledger={line.ledger} /> : null}</div>
      <div className="order-1 col-span-2 lg:order-none lg:col-span-1">
        <b className={`block ${TONES[s.due.tone]}`}>
          {s.due.live ? <LiveUntil now={now} {...s.due.live} passed={s.due.head} /> : s.due.head}
        </b>
        <span className="block text-[12.5px] text-ink-2">{s.due.line}</span>
        {own ? <span className="block text-[12.5px] text-ink-2">{own} your time</span> : null}
      </div>
      <div className="order-3 justify-self-end lg:order-none lg:justify-self-stretch">
        <Link href={href} className={`btn w-full ${s.action.primary ? 'go' : ''}`}>
          {reported
            ? 'Settle the report'
            : line.teaching && line.unread
              ? 'Read what is new'
              : s.action.label}
          <span className="sr-only">
            : {line.course.code}, {line.title}
          </span>
        </Link>
      </div>
    </li>
  );
}
