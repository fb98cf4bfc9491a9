import Link from 'next/link';
import { deskClassActAt, deskClassAt } from '@/contract/addresses';
import type { HoursAgainPage } from '@/contract/desk';
import { list, plural } from '../words/plural';
import { Touched } from './touched';
import { WhyAgain } from './why-again';

/** Asks again before other hours all term are kept, with whom they touch in which discussion. */
export function HoursAgain({ page }: { page: HoursAgainPage }) {
  const { course, hours, people, each, stamp } = page;
  const names = list(people.map((p) => p.name));
  return (
    <section aria-labelledby="again" className="plate grid max-w-[760px] gap-4 px-5 py-5">
      <h2 id="again" className="text-[19px]">
        {hours > 0
          ? `${plural(hours, 'hour')} more for every deadline, for ${names}?`
          : `Everybody’s deadlines all term for ${names}?`}
      </h2>
      {each.map(({ discussion, touched }) => (
        <section key={discussion.slug} aria-label={discussion.title} className="grid gap-1">
          <h3 className="text-[15px]">
            Week {discussion.week}: {discussion.title}
          </h3>
          <Touched touched={touched} />
        </section>
      ))}
      {each.length === 0 ? <p>Nobody’s account changes with it.</p> : null}
      <form action={deskClassActAt(course.slug)} method="post" className="grid gap-3">
        <input type="hidden" name="sure" value={stamp} />
        {hours > 0 ? <input type="hidden" name="hours" value={hours} /> : null}
        {people.map(({ id }) => (
          <input key={id} type="hidden" name="person" value={id} />
        ))}
        {hours > 0 ? <WhyAgain /> : null}
        <div className="flex flex-wrap gap-2">
          <button type="submit" name="act" value={hours > 0 ? 'hours' : 'no-hours'} className="btn go">
            {hours > 0 ? 'Give these hours' : 'No more of it'}
          </button>
          <Link className="btn" href={deskClassAt(course.slug)}>
            Leave it as it was
          </Link>
        </div>
      </form>
    </section>
  );
}
