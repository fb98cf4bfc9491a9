import Link from 'next/link';
import { deskActAt, deskDiscussionAt, deskPartsAt } from '@/contract/addresses';
import type { AgainPage } from '@/contract/desk';
import { list } from '../words/plural';
import { wallText } from '../words/time';
import { Touched } from './touched';
import { WhyAgain } from './why-again';

/** What would be done, as its heading asks it. */
function question({ asked, people, side, discussion }: AgainPage): string {
  const names = people.length ? list(people.map((p) => p.name)) : 'Nobody';
  const here = `in “${discussion.title}”`;
  switch (asked.act) {
    case 'usual':
      return `Everybody’s deadlines again for ${names} ${here}?`;
    case 'extend':
      return `Other deadlines for ${names} ${here}?`;
    case 'excuse':
      return `Excuse ${names} ${here}?`;
    case 'lead':
      return `${names} to lead ${here}?`;
    case 'side':
      return side ? `The side “${side}” for ${names} ${here}?` : `No side for ${names} ${here}?`;
  }
}

/** What the button does, in its own words. */
const DOES: Record<AgainPage['asked']['act'], string> = {
  usual: 'Give everybody’s deadlines again',
  extend: 'Give these deadlines',
  excuse: 'Excuse them',
  lead: 'Say who leads',
  side: 'Give this side',
};

/** Asks again before something is kept for single students, with whom it touches. */
export function DeskAgain({ page }: { page: AgainPage }) {
  const { course, discussion, asked, people, touched, stamp } = page;
  const isPart = asked.act === 'side' || asked.act === 'lead';
  const { act, ...values } = asked;
  return (
    <section aria-labelledby="again" className="plate grid max-w-[760px] gap-4 px-5 py-5">
      <h2 id="again" className="text-[19px]">
        {question(page)}
      </h2>
      {asked.act === 'extend' ? (
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <dt className="text-ink-2">Response until</dt>
          <dd>{asked.responseDue ? wallText(asked.responseDue) : 'as for everybody'}</dd>
          <dt className="text-ink-2">Replies until</dt>
          <dd>{asked.repliesDue ? wallText(asked.repliesDue) : 'as for everybody'}</dd>
        </dl>
      ) : null}
      {touched.length ? <Touched touched={touched} /> : <p>Nobody’s account changes with it.</p>}
      <form
        action={(isPart ? deskPartsAt : deskActAt)(course.slug, discussion.slug)}
        method="post"
        className="grid gap-3"
      >
        {Object.entries({ ...values, sure: stamp }).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        {people.map(({ id }) => (
          <input key={id} type="hidden" name="person" value={id} />
        ))}
        {act === 'extend' || act === 'excuse' ? <WhyAgain /> : null}
        <div className="flex flex-wrap gap-2">
          <button type="submit" name="act" value={act} className="btn go">
            {act === 'side' && !values.side ? 'Take the side away' : DOES[act]}
          </button>
          <Link className="btn" href={deskDiscussionAt(course.slug, discussion.slug)}>
            Leave it as it was
          </Link>
        </div>
      </form>
    </section>
  );
}
