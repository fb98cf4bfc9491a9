import { moment } from '../words/time';

export type HandedView = {
  kind: 'response' | 'reply';
  handedAt: number;
  answered: 'not-yet' | 'counted' | 'given-back';
  asOf: number | null;
  reason: string;
};

const becameText = (h: HandedView, zone: string): string => {
  const why = h.reason ? ` “${h.reason}”` : '';
  switch (h.answered) {
    case 'not-yet':
      return 'The staff have not answered yet.';
    case 'counted':
      return `The staff let it count as of ${moment(h.asOf ?? h.handedAt, zone)}.${why}`;
    case 'given-back':
      return `The staff gave it back to you.${why}`;
  }
};

/** What became of drafts that somebody handed to the staff. */
export function WhatBecameOf({ handed, zone }: { handed: readonly HandedView[]; zone: string }) {
  if (handed.length === 0) return null;
  return (
    <ul className="mt-2 grid gap-1 text-[13px]">
      {handed.map((h) => (
        <li key={h.handedAt} className={h.answered === 'not-yet' ? 'text-ochre-ink' : 'text-ink-2'}>
          You handed your {h.kind} to the staff on {moment(h.handedAt, zone)}. {becameText(h, zone)}
        </li>
      ))}
    </ul>
  );
}
