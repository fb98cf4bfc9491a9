'use client';

import { useEffect, useState } from 'react';

/**
 * The server's time in the browser: what the server said, carried on by the browser's own monotonic clock, so that a
 * wrong or changed clock of the computer does not matter.
 */
export function useServerNow(now: number, everyMs = 10_000): number {
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    const began = performance.now();
    const tick = () => setPassed(performance.now() - began);
    const timer = setInterval(tick, everyMs);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [now, everyMs]);
  return now + passed;
}
