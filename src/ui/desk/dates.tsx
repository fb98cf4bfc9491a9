import Link from 'next/link';
import { deskActAt, deskDiscussionAt } from '@/contract/addresses';
import type { DatesPage } from '@/contract/desk';
import { wallText } from '../words/time';
import { Touched } from './touched';

const NAMES = { opens: 'Opens', responseDue: 'Response due', repliesDue: 'Replies due' } as const;

/** Asks again before other dates are kept, with whom they touch. */
export function DeskDates({ page }: { page: DatesPage }) {
  const { course, discussion, was, dates, touched, stamp } = page;
  return (
    <section aria-labelledby="dates-again" className="plate grid max-w-[760px] gap-4 px-5 py-5">
      <h2 id="dates-again" className="text-[19px]">
        Other dates for “{discussion.title}”?
      </h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {(Object.keys(NAMES) as (keyof typeof NAMES)[])
          .filter((field) => was[field] !== dates[field])
          .map((field) => (
            <div key={field} className="contents">
              <dt className="text-ink-2">{NAMES[field]}</dt>
              <dd>
                <del className="only-first">{wallText(was[field])}</del>{' '}
                <ins className="only-second">{wallText(dates[field])}</ins>
              </dd>
            </div>
          ))}
      </dl>
      {touched.length ? <Touched touched={touched} /> : <p>Nobody’s account changes with them.</p>}
      <form action={deskActAt(course.slug, discussion.slug)} method="post" className="flex flex-wrap gap-2">
        {Object.entries(dates).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <input type="hidden" name="sure" value={stamp} />
        <button type="submit" name="act" value="dates" className="btn go">
          Keep these dates
        </button>
        <Link className="btn" href={deskDiscussionAt(course.slug, discussion.slug)}>
          Leave them as they were
        </Link>
      </form>
    </section>
  );
}
