'use client';

import type { Doc } from '@/core/document/nodes';
import { useId, useState, type ReactNode } from 'react';
import { WhenField } from '../frame/when-field';
import { LeavesBehind } from './leaves-behind';
import { ConfirmShare } from '../writing/confirm-share';

/** A wall clock of this machine's zone to the minute, as a date field takes it. */
const wallNow = (ms: number, zone: string) => {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(ms);
  const get = (type: string) => parts.find((p) => p.type === type)?.value ?? '';
  return `${get('year')}-${get('month')}-${get('day')}T${get('hour')}:${get('minute')}`;
};

/** Asks when a text was posted in the course it belongs to: what counts is the time there. */
export function PostedThere(props: {
  open: boolean;
  close: () => void;
  what: string;
  /** The text that was posted. */
  doc?: Doc;
  now: number;
  zone: string;
  /** What the text lacks, where it lacks something. */
  children?: ReactNode;
  onGo: (postedAt: string) => void;
}) {
  const id = useId();
  const latest = wallNow(props.now, props.zone);
  const [at, setAt] = useState<string | null>(null);
  return (
    <ConfirmShare
      open={props.open}
      close={props.close}
      title={`You posted ${props.what} there?`}
      cancel="Not yet"
      go="Note it as posted there"
      onGo={() => props.onGo(at ?? latest)}
      field={
        <label htmlFor={id} className="mt-3 grid gap-1 text-[13.5px] font-semibold">
          Posted there at (your time)
          <WhenField id={id} className="field font-normal" wall={at ?? latest} onWall={setAt} />
        </label>
      }
    >
      <p>Pulpit cannot see the other course. It notes that you posted, and when, and counts it by that.</p>
      {props.children}
      {props.open && props.doc ? <LeavesBehind doc={props.doc} /> : null}
    </ConfirmShare>
  );
}
