'use client';

import { useEffect, useState } from 'react';
import { unseenNoticesAt } from '@/contract/addresses';
import { lookWhileInSight } from './in-sight';

const EVERY_MS = 60_000;
/** Looking back and forth between windows does not ask each time. */
const NOT_WITHIN_MS = 5_000;

/**
 * How many notices somebody has not seen: `n` as the page was made, and as it is now while the page is looked at. Asking does not count as
 * being here: an open page alone keeps nobody signed in.
 */
export function useUnseen(n: number): number {
  const [asked, setAsked] = useState({ of: n, n });
  useEffect(() => {
    let gone = false;
    let last = performance.now();
    const look = async () => {
      if (performance.now() - last < NOT_WITHIN_MS) return;
      last = performance.now();
      try {
        const answer = await fetch(unseenNoticesAt(), { cache: 'no-store' });
        const said = (await answer.json()) as { n: number | null };
        if (!gone && said.n !== null) setAsked({ of: n, n: said.n });
      } catch {
        // Without the server the number stays as it was; the next look asks again.
      }
    };
    const stop = lookWhileInSight(EVERY_MS, () => void look());
    return () => {
      gone = true;
      stop();
    };
  }, [n]);
  // A page that was made since says it better.
  return asked.of === n ? asked.n : n;
}
