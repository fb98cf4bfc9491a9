import type { TouchedStudent } from '@/contract/desk';
import { groupBy } from '@/core/group';
import { list, plural } from '../words/plural';

const one = (t: TouchedStudent): string =>
  [
    ...(t.complete.was && !t.complete.is ? ['was complete and is no more'] : []),
    ...(!t.complete.was && t.complete.is ? ['is complete then'] : []),
    ...(t.loses ? [`${plural(t.loses, 'post counts', 'posts count')} no more`] : []),
    ...(t.gains ? [`${plural(t.gains, 'post counts', 'posts count')} now`] : []),
    `${t.met.is} of ${t.owed.is} met (before: ${t.met.was} of ${t.owed.was})`,
  ].join(', ');

function howMany(worse: number, all: number): string {
  if (worse === 0) return 'nobody loses anything';
  return worse === all ? 'for them it is worse than before' : `for ${worse} of them it is worse than before`;
}

/** Whom a change touches and how, the losers first; whom it touches alike are named together. */
export function Touched({ touched }: { touched: readonly TouchedStudent[] }) {
  const worse = touched.filter((t) => t.worse).length;
  const worstFirst = [...touched].sort((a, b) => Number(b.worse) - Number(a.worse));
  return (
    <div className="grid gap-2">
      <p className="font-semibold">
        {plural(
          touched.length,
          'student who has shared something is',
          'students who have shared something are',
        )}{' '}
        touched; {howMany(worse, touched.length)}.
      </p>
      <ul
        className="grid max-h-[60dvh] gap-1 overflow-auto text-[13.5px]"
        tabIndex={0}
        aria-label="Whom it touches"
      >
        {[...groupBy(worstFirst, one)].map(([how, alike]) => (
          <li key={how}>
            <b className={alike[0]?.worse ? 'text-brick' : ''}>{list(alike.map((t) => t.name))}</b>: {how}
          </li>
        ))}
      </ul>
    </div>
  );
}
