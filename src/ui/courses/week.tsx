'use client';

import {
  courseFileAt,
  courseWeekAt,
  courseWeekBookAt,
  deskAt,
  discussionAt,
  readingAt,
} from '@/contract/addresses';
import { ArrowLeft, ArrowRight, BookDown, BookOpen, FileDown, MessageSquareText } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { Tally } from '../tally/tally';
import { deadlineText, lateText } from '../words/deadlines';
import { plural } from '../words/plural';
import { stateName } from '../words/states';
import { dayOf, moment } from '../words/time';
import { readingText } from '../words/work';
import { NewReading } from '../readings/reading-forms';
import { Contradicted } from './contradicted';
import type { CourseWeek as CourseWeekView } from '@/contract/course';

const size = (bytes: number) => (bytes < 1_000 ? `${bytes} bytes` : `${Math.round(bytes / 1_000)} kB`);

function Item(props: { icon: ReactNode; kind: string; children: ReactNode; aside?: ReactNode }) {
  return (
    <li className="grid grid-cols-[24px_minmax(0,1fr)_auto] items-start gap-x-3 border-t border-rule-soft px-4 py-3.5 first:border-t-0">
      <span className="pt-0.5 text-ink-3">{props.icon}</span>
      <div className="min-w-0">
        <span className="block text-[12px] font-semibold text-ink-3">{props.kind}</span>
        {props.children}
      </div>
      <span className="text-right text-[12.5px] text-ink-2">{props.aside}</span>
    </li>
  );
}

function Prompt({ prompt }: { prompt: CourseWeekView['prompts'][number] }) {
  const { schedule, state } = prompt;
  const { zone } = schedule;
  return (
    <Item
      icon={<MessageSquareText size={18} aria-hidden />}
      kind="Discussion"
      aside={prompt.ledger ? <Tally ledger={prompt.ledger} /> : null}
    >
      <h3 className="text-[16.5px] leading-snug">
        <Link href={discussionAt(prompt.slug)} className="title-link">
          {prompt.title}
        </Link>
      </h3>
      <p className="text-[13px] text-ink-2">
        <b className="text-ink">{stateName(state)}</b>
        {state === 'upcoming' ? `, opens ${moment(schedule.opens, zone)}` : ''}
        {prompt.unread ? ` · ${prompt.unread} unread` : ''}
      </p>
      <p className="text-[13px] text-ink-2">
        Response {deadlineText(schedule.response, zone)} · replies {deadlineText(schedule.replies, zone)}
      </p>
      <p className="text-[13px] text-ink-2">{lateText(schedule.late)}</p>
      <Contradicted found={prompt.contradictions} />
    </Item>
  );
}

type Shown = CourseWeekView & { week: NonNullable<CourseWeekView['week']> };
const hasWeek = (view: CourseWeekView): view is Shown => view.week !== null;

/** A week of a course; of one that was just made, that there is none yet. */
export const CourseWeek = ({ view }: { view: CourseWeekView }) =>
  hasWeek(view) ? (
    <OneWeek view={view} />
  ) : (
    <p className="plate px-5 py-4 text-ink-2">
      There is no week in this course yet.{' '}
      {view.course.staff ? (
        <Link className="link" href={deskAt(view.course.slug)}>
          Begin it on its desk
        </Link>
      ) : (
        'Its instructor fills it.'
      )}
    </p>
  );

/** Overview, readings, files and prompts of a week in order, and the weeks beside it. */
function OneWeek({ view }: { view: Shown }) {
  const { course, week, weeks, readings, files, prompts } = view;
  const href = (n: number) => courseWeekAt(course.slug, n);
  const reading = readings.filter((r) => r.readAt === null).reduce((s, r) => s + r.minutes, 0);
  return (
    <div className="grid gap-5 lg:grid-cols-[220px_minmax(0,1fr)]">
      <nav aria-label="Weeks" className="max-lg:order-last">
        <ol className="plate overflow-hidden text-[13px]">
          {weeks.map((w) => (
            <li key={w.number} className="border-t border-rule-soft first:border-t-0">
              <Link
                href={href(w.number)}
                aria-current={w.number === week.number ? 'page' : undefined}
                className={`block px-3 py-2 outline-offset-[-3px] ${
                  w.number === week.number
                    ? 'bg-page font-semibold shadow-[inset_4px_0_var(--pine)]'
                    : 'bg-page-2 hover:bg-page'
                }`}
              >
                <span className="text-ink-3">
                  Week {w.number}
                  {w.current ? ' · now' : ''}
                </span>
                <span className="block leading-snug">{w.title}</span>
              </Link>
            </li>
          ))}
        </ol>
      </nav>
      <div>
        <p className="text-[12px] font-semibold text-ink-2">
          Week {week.number}, from {dayOf(week.startsOn)}
        </p>
        <h2 className="text-[21px] leading-tight">{week.title}</h2>
        {week.overview ? (
          <p className="mt-2 max-w-[70ch] font-serif text-[15.5px] leading-relaxed">{week.overview}</p>
        ) : null}
        <ul className="plate mt-4">
          {readings.map((r) => (
            <Item
              key={r.slug}
              icon={<BookOpen size={18} aria-hidden />}
              kind="Reading"
              aside={
                <>
                  {readingText(r.minutes)}
                  <span className={`block ${r.readAt === null ? '' : 'font-semibold text-pine-ink'}`}>
                    {r.readAt === null ? 'not read' : 'read'}
                  </span>
                </>
              }
            >
              <h3 className="text-[15.5px] leading-snug">
                <Link href={readingAt(r.slug)} className="title-link">
                  {r.title}
                </Link>
              </h3>
              <p className="text-[13px] text-ink-2">
                {r.author}
                {r.here ? '' : ` · ${r.place}`}
              </p>
            </Item>
          ))}
          {files.map((f) => (
            <Item key={f.id} icon={<FileDown size={18} aria-hidden />} kind="File" aside={size(f.bytes)}>
              <h3 className="text-[15.5px] leading-snug">
                <a href={courseFileAt(f.id)} download={f.name} className="title-link">
                  {f.title}
                </a>
              </h3>
              <p className="text-[13px] text-ink-2">{f.name}</p>
            </Item>
          ))}
          {prompts.map((p) => (
            <Prompt key={p.slug} prompt={p} />
          ))}
          {readings.length + files.length + prompts.length === 0 ? (
            <li className="px-4 py-3.5 text-ink-2">Nothing has been put into this week yet.</li>
          ) : null}
        </ul>
        {readings.some((r) => r.here) || prompts.length > 0 ? (
          <p className="mt-3 text-[13px]">
            <a
              className="link inline-flex items-center gap-1.5"
              href={courseWeekBookAt(course.slug, week.number)}
              download
            >
              <BookDown size={15} aria-hidden /> This week as a book for the way (.epub)
            </a>
          </p>
        ) : null}
        {course.staff || course.outside ? <NewReading course={course.slug} week={week.number} /> : null}
        {reading > 0 && !course.staff ? (
          <p className="mt-2 text-[13px] text-ink-2">
            {plural(readings.filter((r) => r.readAt === null).length, 'reading')} to go, about{' '}
            {readingText(reading)} at your reading pace.
          </p>
        ) : null}
        <div className="mt-5 flex flex-wrap justify-between gap-2">
          {view.previous === null ? (
            <span />
          ) : (
            <Link className="btn" href={href(view.previous)}>
              <ArrowLeft size={15} aria-hidden /> Week {view.previous}
            </Link>
          )}
          {view.next === null ? null : (
            <Link className="btn" href={href(view.next)}>
              Week {view.next} <ArrowRight size={15} aria-hidden />
            </Link>
          )}
        </div>
      </div>
    </div>
  );
}
