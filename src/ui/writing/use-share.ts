'use client';

import { useCallback, useRef, useState } from 'react';
import type { Place, Text } from './draft-keeper';

export type ShareState =
  | { state: 'idle' }
  | { state: 'sharing' }
  | { state: 'failed'; failure: { code: string; [more: string]: unknown } };

/** Why it was not shared; with the text of now, where the answered post was changed. */
export type NotShared = { ok: false; code: string; [more: string]: unknown };
type Answer = { ok: true; post: number } | NotShared;

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
      let answer: Answer;
      try {
        const response = await fetch(`/discussions/${place.slug}/posts`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({
            kind: place.kind,
            parent: place.parent,
            submission,
            ...text,
            private: how.privately ?? false,
            postedAt: how.postedAt ?? null,
            answeredN: how.answeredN ?? null,
          }),
        });
        answer = (await response.json()) as Answer;
      } catch {
        answer = { ok: false, code: 'no-answer' };
      }
      if (answer.ok) return answer.post;
      busy.current = false;
      setShare(answer.code === 'answered-changed' ? { state: 'idle' } : { state: 'failed', failure: answer });
      return answer;
    },
    [place.kind, place.parent, place.slug],
  );
  return { share, send };
}
