import { receiptAt } from '@/contract/addresses';
import type { Deadline } from '@/core/deadlines/late';
import Link from 'next/link';
import { deadlineText } from '../words/deadlines';
import { clockTime, day, stretch } from '../words/time';

const seconds = (at: number) => String(new Date(at).getUTCSeconds()).padStart(2, '0');

/** "2 d 7 h before the deadline", "1 d 3 h after the deadline" */
export function marginText(deadline: Deadline, at: number): string {
  return at < deadline.due
    ? `${stretch(deadline.due - at)} before the deadline`
    : `${stretch(at - deadline.due)} after the deadline`;
}

/** What proves that a post went through: when, how long before its deadline, and the fingerprint of what was shared. */
export function Receipt(props: {
  post: number;
  version: number;
  sharedAt: number;
  deadline: Deadline;
  zone: string;
  fingerprint: string;
  /** Posted in a course that is not hosted here. */
  outside: boolean;
}) {
  const { zone, sharedAt, deadline } = props;
  const rows: [string, string][] = [
    ['Post', `#${props.post}`],
    [
      props.outside ? 'Posted there' : 'Shared',
      `${day(sharedAt, zone)}, ${clockTime(sharedAt, zone)}:${seconds(sharedAt)}`,
    ],
    ['Margin', `${marginText(deadline, sharedAt)} (${deadlineText(deadline, zone)})`],
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-[13px]">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-3">{name}</dt>
          <dd className="font-semibold">{value}</dd>
        </div>
      ))}
      {props.outside ? null : (
        <div className="contents">
          <dt className="text-ink-3">Proof</dt>
          <dd>
            <Link className="link" href={receiptAt(props.post, { version: props.version })}>
              The receipt of this version
            </Link>
          </dd>
        </div>
      )}
      <dt className="text-ink-3">Fingerprint</dt>
      <dd className="font-mono text-[12px] break-all">
        <span title="SHA-256 of what was shared">{props.fingerprint.match(/.{1,8}/gu)?.join(' ')}</span>
      </dd>
    </dl>
  );
}
