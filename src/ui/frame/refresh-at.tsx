'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { askServerTime, useServerNow } from './server-clock';

/**
 * Has the page rendered anew by the server at the moment at which something on it changes. The server is asked for
 * its time first: it decides, and a browser that runs ahead waits.
 */
export function RefreshAt({ at, now }: { at: number | null; now: number }) {
  const router = useRouter();
  const here = useServerNow(now, 1_000);
  const asking = useRef(false);
  const due = at !== null && here >= at;
  useEffect(() => {
    if (!due || at === null || asking.current) return;
    asking.current = true;
    void askServerTime().then((server) => {
      asking.current = false;
      if (server >= at) router.refresh();
    });
  }, [due, at, here, router]);
  return null;
}
