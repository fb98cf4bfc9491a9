import { Circle, CircleCheck } from 'lucide-react';
import Link from 'next/link';
import { editBeginningAt, peopleAt, readingAt, responseAt, syllabusAt } from '@/contract/addresses';
import type { BeginPage } from '@/contract/course';
import { DocumentView } from '../document/document-view';
import { firstStepText } from '../words/begin';

type Step = BeginPage['steps'][number];

function placeOf(step: Step, course: string): string | null {
  switch (step.what) {
    case 'sign':
      return syllabusAt(course);
    case 'read':
      return step.reading && readingAt(step.reading);
    case 'times':
      return peopleAt(course);
    case 'respond':
      return step.discussion && responseAt(step.discussion);
  }
}

/** How one begins in a course: what its staff say on the left page, what to do first on the right one. */
export function Begin({ page }: { page: BeginPage }) {
  const { course, doc, steps } = page;
  const left = steps.filter((s) => !s.done).length;
  return (
    <div className="plate grid overflow-hidden lg:grid-cols-[minmax(0,1fr)_340px]">
      <section aria-labelledby="begin" className="grid content-start gap-3 px-5 py-4">
        <div className="flex flex-wrap items-center gap-3">
          <h2 id="begin" className="grow text-[18px]">
            Begin here
          </h2>
          {course.staff ? (
            <Link className="btn" href={editBeginningAt(course.slug)}>
              {doc ? 'Change this page' : 'Write this page'}
            </Link>
          ) : null}
        </div>
        {doc ? (
          <DocumentView doc={doc} />
        ) : (
          <p className="max-w-[60ch] text-ink-2">
            Nothing is written here yet, so students do not see this page. A good one says in a few lines how
            a week goes, what to do first, and whom to ask.
          </p>
        )}
      </section>
      <section
        aria-labelledby="first"
        className="grid content-start gap-1 border-rule-soft bg-page-2 px-5 py-4 max-lg:border-t lg:border-l"
      >
        <h2 id="first" className="text-[18px]">
          {steps.length ? (left ? 'What to do first' : 'You have begun') : 'What students see here'}
        </h2>
        {steps.length ? (
          <ol>
            {steps.map((step) => {
              const href = placeOf(step, course.slug);
              const { name, line } = firstStepText(step);
              return (
                <li
                  key={step.what}
                  className="flex gap-2.5 border-t border-rule-soft py-2.5 first:border-t-0"
                >
                  {step.done ? (
                    <CircleCheck
                      size={20}
                      className="mt-0.5 shrink-0 text-pine"
                      aria-label="Done"
                      role="img"
                    />
                  ) : (
                    <Circle size={20} className="mt-0.5 shrink-0 text-ink-3" aria-label="To do" role="img" />
                  )}
                  <span>
                    {href && !step.done ? (
                      <Link className="title-link font-semibold" href={href}>
                        {name}
                      </Link>
                    ) : (
                      <b>{name}</b>
                    )}
                    <span className="block text-[13px] text-ink-2">{line}</span>
                  </span>
                </li>
              );
            })}
          </ol>
        ) : (
          <p className="text-[13.5px] text-ink-2">
            Beside your words each student finds what this course asks of them first, and what of it is done:
            the syllabus where it is to be signed, the first week’s readings, their times where there are
            groups, the first response. It stands on their This week until they have shared something.
          </p>
        )}
      </section>
    </div>
  );
}
