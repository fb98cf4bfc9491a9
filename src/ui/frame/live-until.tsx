'use client';

import { countdown } from '../words/time';
import { useServerNow } from './server-clock';

/** "Response in 2 h 05 min", counting down by the server's clock, by seconds in the last two minutes. */
export function LiveUntil(props: { now: number; to: number; before: string; after: string; passed: string }) {
  const left = props.to - useServerNow(props.now, 1_000);
  return (
    <span suppressHydrationWarning>
      {left <= 0 ? props.passed : `${props.before}${countdown(left)}${props.after}`}
    </span>
  );
}
