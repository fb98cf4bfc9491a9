import type { NamedDate } from '@/core/calendar/dates-named';
import { wallText } from '../words/time';

/** Times that a calendar file names: each can be taken as a deadline by one press. */
export function NamedDates(props: {
  dates: readonly NamedDate[];
  take: (field: 'responseDue' | 'repliesDue', wall: string) => void;
}) {
  if (props.dates.length === 0) return null;
  return (
    <div className="text-[13px]">
      <p className="font-semibold">Times in the calendar file</p>
      <ul className="mt-1 grid gap-1.5">
        {props.dates.map((d, i) => (
          <li key={i} className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <span className="min-w-0 grow">
              {d.title} <span className="text-ink-2">{wallText(d.wall)}</span>
            </span>
            <button
              type="button"
              className="btn !min-h-7 !py-0.5 !text-[12.5px]"
              onClick={() => props.take('responseDue', d.wall)}
            >
              Response due then<span className="sr-only">: {d.title}</span>
            </button>
            <button
              type="button"
              className="btn !min-h-7 !py-0.5 !text-[12.5px]"
              onClick={() => props.take('repliesDue', d.wall)}
            >
              Replies due then<span className="sr-only">: {d.title}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
