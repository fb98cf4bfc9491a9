import Link from 'next/link';
import { stewardsLogAt } from '@/contract/addresses';
import type { LogLine } from '@/contract/stewards';
import { logText } from '../words/people';
import { moment } from '../words/time';

/** Lines of the stewards' log, newest first. */
export function LogLines({ lines, zone }: { lines: LogLine[]; zone: string }) {
  return lines.length ? (
    <ol>
      {lines.map((line) => (
        <li
          key={line.id}
          className="grid gap-x-4 border-t border-rule-soft px-5 py-2.5 first:border-t-0 sm:grid-cols-[170px_1fr]"
        >
          <span className="text-[13px] text-ink-2">{moment(line.at, zone)}</span>
          <span>{logText(line)}</span>
        </li>
      ))}
    </ol>
  ) : (
    <p className="px-5 py-3 text-ink-2">Nothing yet.</p>
  );
}

/** The whole log, a hundred lines at a time. */
export function Log({ lines, zone, more }: { lines: LogLine[]; zone: string; more: boolean }) {
  const last = lines[lines.length - 1];
  return (
    <div className="grid gap-4">
      <section aria-label="Log" className="plate overflow-hidden">
        <LogLines lines={lines} zone={zone} />
      </section>
      {more && last ? (
        <p>
          <Link className="btn" href={stewardsLogAt({ before: last.id })}>
            Earlier
          </Link>
        </p>
      ) : null}
    </div>
  );
}
