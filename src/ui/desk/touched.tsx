import type { TouchedStudent } from '@/contract/desk';
import { plural } from '../words/plural';

const one = (t: TouchedStudent): string =>
  [
    ...(t.complete.was && !t.complete.is ? ['was complete and is no more'] : []),
    ...(!t.complete.was && t.complete.is ? ['is complete then'] : []),
    ...(t.loses ? [`${plural(t.loses, 'post counts', 'posts count')} no more`] : []),
    ...(t.gains ? [`${plural(t.gains, 'post counts', 'posts count')} now`] : []),
    `${t.met.is} of ${t.owed.is} met (before: ${t.met.was} of ${t.owed.was})`,
  ].join(', ');

/** Whom a change touches and how, the losers first. */
export function Touched({ touched }: { touched: readonly TouchedStudent[] }) {
  const worse = touched.filter((t) => t.worse).length;
  return (
    <div className="grid gap-2">
      <p className="font-semibold">
        {plural(
          touched.length,
          'student who has shared something is',
          'students who have shared something are',
        )}{' '}
        touched{worse ? `; for ${worse} of them it is worse than before` : '; nobody loses anything'}.
      </p>
      <ul
        className="grid max-h-[60dvh] gap-1 overflow-auto text-[13.5px]"
        tabIndex={0}
        aria-label="Whom it touches"
      >
        {[...touched]
          .sort((a, b) => Number(b.worse) - Number(a.worse))
          .map((t) => (
            <li key={t.id}>
              <b className={t.worse ? 'text-brick' : ''}>{t.name}</b>: {one(t)}
            </li>
          ))}
      </ul>
    </div>
  );
}
