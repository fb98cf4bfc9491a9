'use client';

import { clockTime } from '../words/time';
import type { Keeping } from './draft-keeper';

/** One line that always says where the words are. */
export function KeepingLine({
  keeping,
  zone,
  restored,
}: {
  keeping: Keeping;
  zone: string;
  restored: boolean;
}) {
  const text = (() => {
    switch (keeping.state) {
      case 'untouched':
        return 'Kept as you write';
      case 'unsaved':
      case 'keeping':
        return 'Keeping…';
      case 'kept':
        return `Draft kept ${clockTime(keeping.at, zone)}${restored ? ', with what this machine still had' : ''}`;
      case 'local':
        return keeping.why === 'signed-out'
          ? 'Signed out: kept on this machine. Sign in in another tab'
          : 'No connection: kept on this machine, trying again';
      case 'refused':
        return keeping.code === 'already-shared'
          ? 'Already shared from another window: reload to see it'
          : 'Kept on this machine only: something in the text cannot be kept on the server, most often a link';
      case 'elsewhere':
        return 'Changed in another window';
    }
  })();
  const alarm = keeping.state === 'local' || keeping.state === 'refused' || keeping.state === 'elsewhere';
  return (
    <span role="status" className={`text-[12px] ${alarm ? 'font-semibold text-brick' : 'text-ink-3'}`}>
      {text}
    </span>
  );
}
