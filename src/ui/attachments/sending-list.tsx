'use client';

import { useSyncExternalStore } from 'react';
import { sendingFailureText, sizeText } from '../words/files';
import { mayStillArrive, type Sending, type SendingFiles } from './sending';

function stateText(s: Sending): string {
  switch (s.state) {
    case 'preparing':
      return 'being made smaller';
    case 'sending':
      return `${sizeText(s.sent)} of ${sizeText(s.total)}`;
    case 'waiting':
      return `waiting for a connection, ${sizeText(s.sent)} of ${sizeText(s.total)} are there`;
    case 'failed':
      return s.failure ? sendingFailureText(s.failure) : '';
  }
}

/** The files on their way, how far each is, and what to do about those that did not arrive. */
export function SendingList({ sending }: { sending: SendingFiles }) {
  const list = useSyncExternalStore(sending.subscribe, sending.get, sending.get);
  if (list.length === 0) return null;
  return (
    <ul
      className="border-b border-rule-soft bg-page-2 px-4 py-1.5 text-[13px]"
      aria-label="Files on their way"
    >
      {list.map((s) => (
        <li key={s.key} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
          <b className="max-w-full min-w-0 truncate">{s.name}</b>
          {s.state === 'failed' ? null : (
            <progress
              className="h-2 w-28"
              max={s.total}
              value={s.state === 'preparing' ? undefined : s.sent}
              aria-label={`${s.name}: how much is there`}
            />
          )}
          <span
            role={s.state === 'failed' ? 'alert' : undefined}
            className={`grow basis-40 ${s.state === 'failed' ? 'font-medium text-brick' : 'text-ink-2'}`}
          >
            {stateText(s)}
          </span>
          {s.state === 'failed' && mayStillArrive(s) ? (
            <button type="button" className="btn !min-h-8 !py-1" onClick={() => sending.retry(s.key)}>
              Try again
            </button>
          ) : null}
          <button type="button" className="btn !min-h-8 !py-1" onClick={() => sending.cancel(s.key)}>
            {s.state === 'failed' ? 'Leave it out' : 'Cancel'}
            <span className="sr-only"> {s.name}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Beside the button that shares: what is not here yet is not shared. */
export function LeftOutLine({ sending }: { sending: SendingFiles }) {
  const list = useSyncExternalStore(sending.subscribe, sending.get, sending.get).filter(mayStillArrive);
  if (list.length === 0) return null;
  return (
    <b className="block text-ochre-ink">
      {list.length === 1 ? `${list[0]?.name} is` : `${list.length} files are`} not here yet and would be left
      out if you shared now.
    </b>
  );
}
