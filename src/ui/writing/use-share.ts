'use client';

import type { CommonFailure, FailureOf } from '@/contract/endpoint';
import type { NotAsked } from '@/contract/questions';
import { sharing, type changing } from '@/contract/writing';
import { call } from '../request/call';
import { useCallback, useRef, useState } from 'react';
import type { Place, Text } from './draft-keeper';

/** Why it was not shared, or not changed. */
export type NotShared = FailureOf<typeof sharing> | FailureOf<typeof changing> | NotAsked | CommonFailure;
export type ShareState = { state: 'idle' } | { state: 'sharing' } | { state: 'failed'; failure: NotShared };

/**
 * Shares a text. A second press while the first is under way does nothing, and the submission's id makes one post of
 * any number of tries, so trying again after a lost answer is always safe. Gives the post's number, why there is none, or
 * null where a share is under way already.
 */
export function useShare(place: Place) {
  const [share, setShare] = useState<ShareState>({ state: 'idle' });
  const busy = useRef(false);
  const send = useCallback(
    async (
      text: Text,
      submission: string,
      how: { privately?: boolean; postedAt?: string; answeredN?: number } = {},
    ): Promise<number | NotShared | null> => {
      if (busy.current) return null;
      busy.current = true;
      setShare({ state: 'sharing' });
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
      if (answer.ok) return answer.value.post;
      busy.current = false;
      setShare(answer.code === 'answered-changed' ? { state: 'idle' } : { state: 'failed', failure: answer });
      return answer;
    },
    [place.kind, place.parent, place.slug],
  );
  return { share, send };
}
