'use client';

import type { CommonFailure, FailureOf } from '@/contract/endpoint';
import type { NotAsked } from '@/contract/questions';
import { sharing, type changing } from '@/contract/writing';
import { call } from '../request/call';
import { useCallback, useRef, useState } from 'react';
import type { Place, Text } from './draft-keeper';
import { printOf, setWaiting, useWaiting, type How } from './waiting-shares';

/** Why it was not shared, or not changed. */
export type NotShared = FailureOf<typeof sharing> | FailureOf<typeof changing> | NotAsked | CommonFailure;
export type ShareState =
  | { state: 'idle' }
  /** `again`: nobody answered the last time. */
  | { state: 'sharing'; again?: boolean }
  | { state: 'failed'; failure: NotShared };

const UNANSWERED: ShareState = { state: 'failed', failure: { code: 'no-answer' } };

/**
 * Shares a text. A second press while the first is under way does nothing, and the submission's id makes one post of
 * any number of tries, so trying again after a lost answer is always safe. Gives the post's number, why there is none, or
 * null where a share is under way already.
 */
export function useShare(place: Place) {
  const key = `${place.person} ${place.slug} ${place.kind} ${place.parent ?? ''}`;
  const [share, setShare] = useState<ShareState>({ state: 'idle' });
  const busy = useRef(false);
  const waits = useWaiting(key);
  const stopWaiting = useCallback(() => {
    setWaiting(key, null);
    setShare((now) => (now.state === 'idle' ? UNANSWERED : now));
  }, [key]);
  const again = waits !== null;
  const send = useCallback(
    async (text: Text, submission: string, how: How = {}): Promise<number | NotShared | null> => {
      if (busy.current) return null;
      busy.current = true;
      setShare({ state: 'sharing', again });
      const answer = await call(
        sharing,
        { slug: place.slug },
        {
          kind: place.kind,
          parent: place.parent,
          submission,
          ...text,
          private: how.privately ?? false,
          postedAt: how.postedAt ?? null,
          answeredN: how.answeredN ?? null,
        },
      );
      const unanswered = !answer.ok && answer.code === 'no-answer';
      setWaiting(key, unanswered ? { how, print: printOf(text) } : null);
      if (answer.ok) return answer.value.post;
      busy.current = false;
      setShare(answer.code === 'answered-changed' ? { state: 'idle' } : { state: 'failed', failure: answer });
      return answer;
    },
    [place.kind, place.parent, place.slug, key, again],
  );
  // What waited when the page was left waits on.
  const now: ShareState = share.state === 'idle' && again ? UNANSWERED : share;
  /** How what waits was pressed; null where its text is no longer the one it was pressed for. */
  const stillWaits = (text: Text): How | null => (waits?.print === printOf(text) ? waits.how : null);
  return { share: now, send, stillWaits, stopWaiting, isWaiting: again };
}
