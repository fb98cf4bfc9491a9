'use client';

import { notingProgress } from '@/contract/readings';
import { call } from '../request/call';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';

/** Time without a sign of life (a scroll, a key, a pointer) after which nobody is thought to be reading. */
const AWAY_MS = 90_000;

/**
 * Measures how long a reading is in view, which is what the estimates of reading time are learnt from, and says
 * whether it is read: by the button here, and back again.
 */
export function ReadingClock(props: { slug: string; read: boolean; measures: boolean }) {
  const { slug, measures } = props;
  const router = useRouter();
  const [read, setRead] = useState(props.read);
  const [failed, setFailed] = useState(false);
  const seconds = useRef(0);
  const state = useRef(props.read);

  const send = useRef(async (now: boolean) => {
    const spent = Math.round(seconds.current);
    seconds.current = 0;
    const answer = await call(notingProgress, { slug }, { seconds: spent, read: now }, { keepalive: true });
    if (!answer.ok) seconds.current += spent;
    return answer.ok;
  });

  useEffect(() => {
    if (!measures) return;
    let last = performance.now();
    let alive = last;
    const sign = () => (alive = performance.now());
    const tick = () => {
      const now = performance.now();
      const looking = document.visibilityState === 'visible' && now - alive < AWAY_MS;
      if (looking) seconds.current += Math.min(now - last, 5_000) / 1_000;
      last = now;
    };
    const timer = setInterval(tick, 1_000);
    const leave = () => {
      tick();
      if (seconds.current >= 5) void send.current(state.current);
    };
    const signs = ['scroll', 'keydown', 'pointermove', 'touchstart'] as const;
    for (const s of signs) window.addEventListener(s, sign, { passive: true, capture: true });
    window.addEventListener('pagehide', leave);
    return () => {
      clearInterval(timer);
      for (const s of signs) window.removeEventListener(s, sign, { capture: true });
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [measures]);

  const toggle = async () => {
    const to = !read;
    setRead(to);
    state.current = to;
    const done = await send.current(to);
    setFailed(!done);
    // Whoever has gone on meanwhile may be on a page that was laid before it was noted.
    if (done) router.refresh();
    else {
      setRead(!to);
      state.current = !to;
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className={`btn ${read ? '' : 'go'}`} onClick={() => void toggle()}>
        {read ? 'Read. Set back to not read' : 'I have read this'}
      </button>
      {failed ? (
        <p role="status" className="text-[13px] text-brick">
          Pulpit did not answer, so nothing was noted. Try again in a moment.
        </p>
      ) : null}
    </div>
  );
}
