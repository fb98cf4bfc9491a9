'use client';

import { clockTime } from '../words/time';
import { useSyncExternalStore } from 'react';
import type { DraftKeeper } from './draft-keeper';

/** One line that always says where the words are. */
export function KeepingLine({
  keeper,
  zone,
  restored,
}: {
  keeper: DraftKeeper;
  zone: string;
  restored: boolean;
}) {
  const keeping = useSyncExternalStore(keeper.subscribe, keeper.keeping, keeper.keeping);
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
