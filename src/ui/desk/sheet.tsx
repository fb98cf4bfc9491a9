import Link from 'next/link';
import type { ReactNode } from 'react';
import { deskAt, deskDiscussionAt, deskNewAt } from '@/contract/addresses';
import type { DeskDiscussion, DeskWeek, Term } from '@/contract/desk';
import { deadlineText } from '../words/deadlines';
import { deskState } from '../words/desk';
import { plural } from '../words/plural';
import { dayOf } from '../words/time';

/** How many of a class have responded, as a bar with its words. */
function Stand({ discussion, students }: { discussion: DeskDiscussion; students: number }) {
  const share = students ? Math.min(1, discussion.responses / students) : 0;
  return (
    <>
      <span
        aria-hidden
        className="block h-2.5 max-w-[180px] overflow-hidden rounded-[3px] border border-rule bg-page"
      >
        <span className="block h-full bg-pine" style={{ width: `${Math.round(share * 100)}%` }} />
      </span>
      <span className="text-[12.5px] text-ink-2">
        {discussion.responses} of {plural(students, 'student')} responded
      </span>
    </>
  );
}

function Line(props: { course: string; discussion: DeskDiscussion; students: number; open: boolean }) {
  const { discussion } = props;
  const { schedule } = discussion;
  return (
    <div className="grid gap-x-4 gap-y-1 px-4 py-3 sm:grid-cols-[minmax(0,1fr)_112px_112px_172px] sm:items-center">
      <div className="min-w-0">
        <h3 className="text-[16.5px] leading-snug">
          <Link
            href={deskDiscussionAt(props.course, discussion.slug)}
            className="title-link"
            aria-current={props.open ? 'page' : undefined}
          >
            {discussion.title}
          </Link>
        </h3>
        <p className={`text-[12.5px] ${discussion.shown ? 'text-ink-2' : 'font-semibold text-ochre-ink'}`}>
          {deskState(discussion)}
          {discussion.inHoliday ? (
            <b className="text-ochre-ink"> · a deadline falls into {discussion.inHoliday}</b>
          ) : null}
          {discussion.asking ? (
            <b className="text-ochre-ink">
              {' · '}
              {discussion.asking === 1 ? '1 asks' : `${discussion.asking} ask`} for more time
            </b>
          ) : null}
        </p>
      </div>
      <p className="text-[12.5px]">
        <span className="text-ink-2 sm:block">Response </span>
        {deadlineText(schedule.response, schedule.zone)}
      </p>
      <p className="text-[12.5px]">
        <span className="text-ink-2 sm:block">Replies </span>
        {deadlineText(schedule.replies, schedule.zone)}
      </p>
      <div>{discussion.shown ? <Stand discussion={discussion} students={props.students} /> : null}</div>
    </div>
  );
}

function Week(props: { course: string; week: DeskWeek; students: number; open: string | null }) {
  const { course, week } = props;
  return (
    <li
      className={`grid grid-cols-[52px_minmax(0,1fr)] border-t border-rule-soft first:border-t-0 ${
        week.discussions.some((d) => d.slug === props.open) ? 'bg-ochre-tint' : ''
      }`}
    >
      <Link
        href={deskAt(course, { week: week.number })}
        className="px-4 pt-3 font-serif text-[20px] font-semibold text-ink-2 hover:underline"
        aria-label={`Week ${week.number}, ${week.title}: change it`}
      >
        {week.number}
      </Link>
      <div className="min-w-0">
        <p className="px-4 pt-3 text-[12.5px] text-ink-2">
          {week.title} · from {dayOf(week.startsOn)}
          {week.readings.length ? ` · ${plural(week.readings.length, 'reading')}` : ''}
          {week.holidays.length ? <b className="text-ochre-ink"> · {week.holidays.join(', ')}</b> : null}
        </p>
        {week.discussions.map((d) => (
          <Line
            key={d.slug}
            course={course}
            discussion={d}
            students={props.students}
            open={d.slug === props.open}
          />
        ))}
        {week.discussions.length === 0 ? (
          <p className="flex flex-wrap items-center gap-3 px-4 py-3">
            <span className="grow font-serif text-[16px] text-ink-3">Nothing yet</span>
            <Link className="btn" href={deskNewAt(course, { week: week.number })}>
              Write a prompt
            </Link>
          </p>
        ) : null}
      </div>
    </li>
  );
}

/** The term on one sheet: every week on the left page, what one has opened on the right. */
export function Sheet({ term, open, children }: { term: Term; open: string | null; children: ReactNode }) {
  const { course, weeks, students } = term;
  return (
    <div className="plate grid overflow-hidden lg:grid-cols-[minmax(0,1fr)_400px]">
      <section aria-labelledby="term" className={open ? 'max-lg:order-2' : ''}>
        <div className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-2.5">
          <h2 id="term" className="grow text-[18px]">
            The term on one sheet
          </h2>
          <Link className="btn" href={deskNewAt(course.slug)}>
            Write a prompt
          </Link>
        </div>
        {weeks.length ? (
          <ul>
            {weeks.map((week) => (
              <Week key={week.number} course={course.slug} week={week} students={students} open={open} />
            ))}
          </ul>
        ) : (
          <p className="px-4 py-5 text-ink-2">
            There is no week yet. Add the first on this sheet’s other page, or write a prompt: its week is
            made with it.
          </p>
        )}
      </section>
      <div className="border-rule bg-page-2 max-lg:border-b lg:border-l">{children}</div>
    </div>
  );
}
