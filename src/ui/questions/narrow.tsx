import { QUESTION_FILTERS, type QuestionFilter, type QuestionsPage } from '@/contract/questions';
import Link from 'next/link';
import { FILTER_WORDS } from '../words/questions';
import { listAt } from './address';

/** What stands at once; the rest is beneath one press. */
const FIRST: readonly QuestionFilter[] = ['all', 'open', 'yours', 'unread'];

type One = { key: string; name: string; n: number | null; href: string; on: boolean };

const Choice = ({ one }: { one: One }) => (
  <li>
    <Link
      href={one.href}
      prefetch={false}
      aria-current={one.on ? 'true' : undefined}
      className={`inline-flex min-h-7 items-center rounded-[6px] px-2 text-[12.5px] font-semibold whitespace-nowrap ${
        one.on ? 'bg-ink text-page' : 'text-ink-2 hover:bg-page hover:text-ink'
      }`}
    >
      {one.name}
      {one.n === null ? null : <span className="ml-1 font-normal tabular-nums">{one.n}</span>}
    </Link>
  </li>
);

/** What the list is narrowed to: whose, how they stand, of which week, under which label. */
export function Narrow({ page }: { page: QuestionsPage }) {
  const { counts, week, label, show } = page;
  const filters = QUESTION_FILTERS.filter((f) => f === 'all' || counts[f] > 0).map((f): One => ({
    key: f,
    name: f === 'corner' ? page.corner || FILTER_WORDS.corner : FILTER_WORDS[f],
    n: f === 'all' ? null : counts[f],
    href: listAt(page, { show: f }),
    on: f === show && week === null && label === null,
  }));
  const more: One[] = [
    ...filters.filter((one) => !FIRST.some((f) => f === one.key)),
    ...page.weeks.slice(0, 6).map((n) => ({
      key: `week ${n}`,
      name: `Week ${n}`,
      n: null,
      href: listAt(page, { week: n }),
      on: week === n,
    })),
    ...page.labels.map((l) => ({
      key: `label ${l}`,
      name: `“${l}”`,
      n: null,
      href: listAt(page, { label: l }),
      on: label === l,
    })),
  ];
  const chosen = more.find((one) => one.on);
  return (
    <nav aria-label="Narrow the list" className="border-b border-rule px-2.5 py-1.5">
      <ul className="flex flex-wrap gap-0.5">
        {filters
          .filter((one) => FIRST.some((f) => f === one.key))
          .map((one) => (
            <Choice key={one.key} one={one} />
          ))}
        {chosen ? <Choice one={chosen} /> : null}
      </ul>
      {more.length ? (
        <details className="px-2 text-[12.5px]">
          <summary className="link min-h-6 w-fit">More</summary>
          <ul className="-mx-2 flex flex-wrap gap-0.5 py-1">
            {more.map((one) => (
              <Choice key={one.key} one={one} />
            ))}
          </ul>
        </details>
      ) : null}
    </nav>
  );
}
