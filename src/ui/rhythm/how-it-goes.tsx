import Link from 'next/link';
import { conversationAt, deskClassAt, deskMarksTableAt } from '@/contract/addresses';
import type { HowItGoesPage, WeekGoes } from '@/contract/rhythm';
import { groupBy } from '@/core/group';
import { list, plural } from '../words/plural';
import { fadeSentence } from '../words/rhythm';

const HEADS = [
  'Discussion',
  'Responded',
  'Did all',
  'Without a reply',
  'Replies each',
  'First reply after',
  'Marks',
];

const hours = (n: number) => (n < 24 ? `${n} h` : `${Math.round((n / 24) * 10) / 10} d`);
const percent = (n: number | null) => (n === null ? '–' : `${n} %`);

function Week({ week, course }: { week: WeekGoes; course: string }) {
  const { spread } = week;
  return (
    <tr className="border-t border-rule-soft first:border-t-0">
      <th scope="row" className="px-4 py-2 text-left font-semibold">
        <span className="text-ink-2">Week {week.week}</span>{' '}
        <Link className="link" prefetch={false} href={conversationAt(week.slug)}>
          {week.title}
        </Link>
        {week.over ? null : <span className="font-normal text-ink-2"> · still open</span>}
      </th>
      <td className="px-4 py-2 tabular-nums">
        <span className="flex items-center gap-2">
          <span className="w-11 shrink-0">{percent(week.participation)}</span>
          <span aria-hidden className="h-2 w-16 shrink-0 overflow-hidden rounded-full bg-rule-soft">
            <span className="block h-full bg-pine" style={{ width: `${week.participation ?? 0}%` }} />
          </span>
        </span>
      </td>
      <td className="px-4 py-2 tabular-nums">{percent(week.complete)}</td>
      <td className="px-4 py-2 tabular-nums">
        {week.unanswered ? (
          <Link className="link" prefetch={false} href={conversationAt(week.slug, { show: 'no-replies' })}>
            {week.unanswered} of {week.responses}
          </Link>
        ) : (
          `0 of ${week.responses}`
        )}
      </td>
      <td className="px-4 py-2 tabular-nums">{week.repliesEach ?? '–'}</td>
      <td className="px-4 py-2 tabular-nums">
        {week.firstReplyHours === null ? '–' : hours(week.firstReplyHours)}
      </td>
      <td className="px-4 py-2 tabular-nums">
        {spread ? (
          <Link className="link" prefetch={false} href={deskMarksTableAt(course, week.slug)}>
            {spread.least} to {spread.most}, middle {spread.middle}
          </Link>
        ) : (
          '–'
        )}
      </td>
    </tr>
  );
}

/** How a course goes by its discussions, and who fades from it, with why that is said. */
export function HowItGoes({ page }: { page: HowItGoesPage }) {
  const { course, weeks, fading, students } = page;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
      <section aria-labelledby="fading">
        <h2 id="fading" className="text-[21px]">
          {fading.length
            ? `${plural(fading.length, 'student fades', 'students fade')} from the course`
            : 'Nobody fades from the course'}
        </h2>
        <p className="text-[13.5px] text-ink-2">
          Said of whoever shows two of three signs: they do half of what they did or less, their responses
          come later each time, they have not been here for a week. A reason to write to them, and no mark.
        </p>
        {fading.length ? (
          <form action={deskClassAt(course.slug)} className="mt-2">
            <ul className="plate text-[14px]">
              {[...groupBy(fading, (f) => fadeSentence(f.signs))].map(([said, alike]) => (
                <li key={said} className="border-t border-rule-soft px-4 py-2 first:border-t-0">
                  <b>{list(alike.map((f) => f.name))}</b> {alike.length > 1 ? 'each ' : ''}
                  {said}.
                </li>
              ))}
            </ul>
            <input type="hidden" name="choose" value="fading" />
            <button type="submit" className="btn mt-2">
              Write to them
            </button>
          </form>
        ) : null}
      </section>
      <section aria-labelledby="weeks">
        <h2 id="weeks" className="mb-1 text-[21px]">
          Week by week, of {plural(students, 'student')}
        </h2>
        {weeks.length ? (
          <div className="plate overflow-x-auto" tabIndex={0} role="group" aria-labelledby="weeks">
            <table className="w-full min-w-[860px] border-collapse text-[13.5px]">
              <thead className="border-b border-rule bg-page-2">
                <tr>
                  {HEADS.map((head) => (
                    <th key={head} scope="col" className="px-4 py-2 text-left font-semibold">
                      {head}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {weeks.map((week) => (
                  <Week key={week.slug} week={week} course={course.slug} />
                ))}
              </tbody>
            </table>
          </div>
        ) : (
          <p className="plate px-5 py-4">Nothing has opened yet.</p>
        )}
      </section>
    </div>
  );
}
