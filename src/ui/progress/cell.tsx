import Link from 'next/link';
import { partAt, responseAt } from '@/contract/addresses';
import type { ProgressCell } from '@/contract/progress';
import { owesNothing, summarise } from '@/core/counting/summary';
import { Tally } from '../tally/tally';
import { VERDICTS } from '../words/marks';
import { weekday } from '../words/time';

const isOpen = (cell: ProgressCell) =>
  cell.state === 'open' || cell.state === 'closing' || cell.state === 'late';

function figure({ mark }: ProgressCell): string {
  if (!mark) return '–';
  if (mark.points !== null) return String(mark.points);
  return mark.verdict ? VERDICTS[mark.verdict] : 'read';
}

function below(cell: ProgressCell, now: number): string[] {
  const { mark, schedule } = cell;
  if (mark)
    return [
      ...(mark.of === null ? [] : [`of ${mark.of}`]),
      ...(mark.isNew ? ['new'] : []),
      ...(mark.changed ? ['changed'] : []),
      ...(mark.taken > 0 ? [`late, ${mark.taken} off`] : []),
      ...(cell.estimate !== null && mark.isNew ? [`you said ${cell.estimate}`] : []),
    ];
  if (cell.state === 'upcoming') return [];
  const free = owesNothing(cell.balance);
  if (free) return [free === 'excused' ? 'excused' : 'nothing asked'];
  if (isOpen(cell)) {
    const { next } = summarise(cell.balance, now);
    return next ? [`due ${weekday(next.deadline.due - 1, schedule.zone)}`] : ['complete'];
  }
  return ['not marked yet'];
}

/** One week of a course: its tally, its mark, and what is new or due. */
export function Cell({ cell, now }: { cell: ProgressCell; now: number }) {
  const marked = cell.mark !== null;
  const look = isOpen(cell)
    ? 'border-ochre bg-ochre-tint'
    : cell.mark?.isNew
      ? 'border-pine border-b-4 bg-page'
      : 'border-rule-soft bg-page';
  return (
    <li className="min-w-0">
      <Link
        href={marked || cell.state === 'closed' ? partAt(cell.slug) : responseAt(cell.slug)}
        prefetch={false}
        title={cell.title}
        className={`relative grid h-full content-start justify-items-center gap-0.5 rounded-[6px] border px-1.5 py-1.5 text-center ${look}`}
      >
        <span className="text-[12px] text-ink-2">
          <span className="sr-only">Week </span>
          {cell.week}
          <span className="sr-only">, {cell.title}: </span>
        </span>
        <Tally ledger={cell.balance} />
        <b
          className={`font-serif text-[16.5px] tabular-nums ${cell.mark?.verdict === 'again' ? 'text-ochre-ink' : ''}`}
        >
          {figure(cell)}
        </b>
        <span className="text-[11.5px] leading-tight text-ink-2">{below(cell, now).join(', ')}</span>
      </Link>
    </li>
  );
}
