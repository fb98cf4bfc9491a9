import Link from 'next/link';
import type { Beyond, MarkingPage, MarkLine } from '@/contract/marks';
import { Tally } from '../tally/tally';
import { markingAt } from './address';
import { SECOND_NAMES, STATE_NAMES } from '../words/marks';

const SIGNS = { unwritten: '·', begun: '…', written: '', released: '', changed: '', held: '·' } as const;

const SECOND_SIGNS = { asked: '2nd …', differs: '2nd ≠', agrees: '2nd =', settled: '2nd ✓' } as const;

const said = ({ state, points, verdict }: MarkLine) =>
  points !== null ? String(points) : (verdict ?? (SIGNS[state] || '✓'));

/** "Imani", or "7" where names are covered. */
const shortName = (page: MarkingPage, name: string) => name.split(' ')[page.look.covered ? 1 : 0];

const More = ({ page, beyond, where }: { page: MarkingPage; beyond: Beyond | null; where: string }) =>
  beyond ? (
    <li className="flex items-center">
      <Link className="btn whitespace-nowrap" href={markingAt(page, beyond.nearest)} prefetch={false}>
        {beyond.n} {where}
      </Link>
    </li>
  ) : null;

/** The class as a strip of tallies, each a way to one student's part; who is being marked stands in a frame. */
export function Strip({ page }: { page: MarkingPage }) {
  const { lines, one, earlier, later } = page;
  return (
    <nav aria-label="The class" className="relative overflow-x-auto" tabIndex={0}>
      <ul className="flex gap-1 pb-1">
        <More page={page} beyond={earlier} where="before" />
        {lines.map((line) => (
          <li key={line.id}>
            <Link
              href={markingAt(page, line.id)}
              prefetch={false}
              aria-current={line.id === one?.id ? 'true' : undefined}
              className={`grid min-w-[58px] justify-items-center rounded-[6px] border px-1.5 py-1 text-[11px] ${
                line.id === one?.id ? 'border-pine bg-page' : 'border-transparent hover:bg-page'
              }`}
            >
              <Tally ledger={line.balance} />
              <span className="text-[12.5px] font-semibold tabular-nums">{said(line)}</span>
              <span className="sr-only">{STATE_NAMES[line.state]}, </span>
              {line.asks ? <span className="font-bold text-ochre-ink">asks</span> : null}
              {line.back ? (
                <span title="Done again and given back" className="font-bold text-ochre-ink">
                  back
                </span>
              ) : null}
              {line.second ? (
                <span
                  title={`Second reading: ${SECOND_NAMES[line.second]}`}
                  className={line.second === 'differs' ? 'font-bold text-ochre-ink' : 'text-ink-2'}
                >
                  <span aria-hidden>{SECOND_SIGNS[line.second]}</span>
                  <span className="sr-only">second reading {SECOND_NAMES[line.second]}, </span>
                </span>
              ) : null}
              <span className="max-w-[72px] truncate text-ink-2">{shortName(page, line.name)}</span>
              <span className="sr-only">
                {page.look.covered ? '' : line.name.split(' ').slice(1).join(' ')}
              </span>
            </Link>
          </li>
        ))}
        <More page={page} beyond={later} where="after" />
      </ul>
    </nav>
  );
}
