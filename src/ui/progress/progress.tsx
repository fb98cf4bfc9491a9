import type { ProgressCourse, ProgressPage } from '@/contract/progress';
import { costCause, costText, endsText, freshText, standingText } from '../words/progress';
import { Cell } from './cell';
import { Charts, MoreCharts } from './charts';
import { WhatIf } from './what-if';

function Course({ course, now }: { course: ProgressCourse; now: number }) {
  const { standing } = course;
  const ends = endsText(course);
  const inPoints = course.cells.some((c) => c.toWin > 0 || c.mark?.points != null);
  return (
    <section
      aria-labelledby={`progress-${course.slug}`}
      className="border-t border-rule py-4 first:border-t-0 first:pt-0"
    >
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 id={`progress-${course.slug}`} className="text-[17px]">
          {course.code} {course.title}
        </h2>
        <p className="text-[13px] text-ink-2">
          {inPoints ? (
            <>
              {standing.percent === null ? null : (
                <b className="font-serif text-[17px] text-pine-ink">{standing.percent} % </b>
              )}
              {standing.grade ? <b className="text-ink">{standing.grade} · </b> : null}
              {standingText(course)}
            </>
          ) : (
            'no numbers here: “done”, or “do again”'
          )}
        </p>
      </div>
      <ol className="grid grid-cols-[repeat(auto-fill,minmax(88px,1fr))] gap-1.5">
        {course.cells.map((cell) => (
          <Cell key={cell.slug} cell={cell} now={now} />
        ))}
      </ol>
      {ends ? <p className="mt-2 text-[13px] text-ink-2">{ends}</p> : null}
      <WhatIf course={course} />
    </section>
  );
}

/** All courses by week and mark, what cost most in one sentence, and one's own rhythm beside it. */
export function Progress({ page }: { page: ProgressPage }) {
  const { courses, fresh, most, now } = page;
  const marked = courses.some((c) => c.cells.some((cell) => cell.mark));
  return (
    <main id="main" className="px-4 py-4 sm:px-7">
      <h1 className="text-[25px] leading-tight">
        {freshText(fresh)}{' '}
        {most ? (
          <>
            What cost you most so far is{' '}
            <span className="bg-[linear-gradient(transparent_62%,var(--mark)_62%)]">{costCause(most)}</span>.
          </>
        ) : marked ? (
          'No points were lost so far.'
        ) : courses.length ? (
          'No marks yet: they stand here once they are released.'
        ) : (
          'Progress is for courses that you take.'
        )}
      </h1>
      {most ? <p className="mt-1 text-[13.5px] text-ink-2">{costText(most)}</p> : null}
      {courses.length ? (
        <div className="plate mt-3.5 grid overflow-clip lg:grid-cols-[minmax(0,1fr)_400px]">
          <div className="min-w-0 px-4 py-4 sm:px-6">
            {courses.map((course) => (
              <Course key={course.slug} course={course} now={now} />
            ))}
            <MoreCharts courses={courses} />
          </div>
          <aside
            aria-label="Your rhythm"
            className="border-t border-rule bg-page-2 px-4 py-4 sm:px-5 lg:border-t-0 lg:border-l"
          >
            <Charts courses={courses} />
          </aside>
        </div>
      ) : null}
    </main>
  );
}
