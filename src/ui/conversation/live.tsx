'use client';

import { liveAt } from '@/contract/addresses';
import { ArrowDownToLine } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, useTransition } from 'react';
import { arrivedText } from '../words/conversation-bar';

type Told = {
  n: number;
  act: 'shared' | 'changed';
  post: number;
  thread: number;
  mine: boolean;
};

const AGAIN_AFTER_MS = 3_000;
const AGAIN_AT_MOST_MS = 60_000;
/** A window that nobody looks at gives its connection back after this long: a browser has only a few. */
const UNSEEN_MS = 20_000;

/**
 * Hears what happens in the discussion while the page is open, from the event on that the page knows of. Nothing moves
 * until it is asked for: what came waits behind one button.
 */
export function Live(props: { slug: string; events: number; followed: readonly number[] }) {
  const { slug, events } = props;
  const router = useRouter();
  const [told, setTold] = useState<Told[]>([]);
  const [asking, ask] = useTransition();
  const last = useRef(events);

  useEffect(() => {
    last.current = Math.max(last.current, events);
  }, [events]);

  useEffect(() => {
    let source: EventSource | null = null;
    let timer: ReturnType<typeof setTimeout> | null = null;
    let pause = AGAIN_AFTER_MS;
    const close = () => {
      source?.close();
      source = null;
    };
    const later = (ms: number, then: () => void) => {
      if (timer) clearTimeout(timer);
      timer = setTimeout(then, ms);
    };
    const open = () => {
      if (source || document.visibilityState !== 'visible') return;
      const mine = new EventSource(liveAt(slug, { after: last.current }));
      source = mine;
      mine.addEventListener('told', (e: MessageEvent<string>) => {
        const heard = (JSON.parse(e.data) as Told[]).filter((t) => t.n > last.current);
        last.current = Math.max(last.current, ...heard.map((t) => t.n));
        if (heard.length) setTold((before) => [...before, ...heard]);
      });
      // Lost while it was open, the browser begins again by itself; refused, it would not.
      mine.onerror = () => {
        if (mine.readyState !== EventSource.CLOSED) return;
        close();
        later(pause, open);
        pause = Math.min(pause * 2, AGAIN_AT_MOST_MS);
      };
      mine.onopen = () => {
        pause = AGAIN_AFTER_MS;
      };
    };
    const onVisibility = () => {
      if (document.visibilityState === 'visible') {
        if (timer) clearTimeout(timer);
        open();
      } else later(UNSEEN_MS, close);
    };
    open();
    document.addEventListener('visibilitychange', onVisibility);
    return () => {
      document.removeEventListener('visibilitychange', onVisibility);
      if (timer) clearTimeout(timer);
      close();
    };
  }, [slug]);

  // What the page has been made with since is no longer new; what one did oneself never was.
  const waiting = told.filter((t) => t.n > events && !t.mine);
  const posts = new Set(waiting.filter((t) => t.act === 'shared').map((t) => t.post));
  const changed = new Set(
    waiting.filter((t) => t.act === 'changed' && !posts.has(t.post)).map((t) => t.post),
  );
  const followed = new Set(
    waiting.filter((t) => t.act === 'shared' && props.followed.includes(t.thread)).map((t) => t.post),
  );
  const text = arrivedText(posts.size, followed.size, changed.size);
  return (
    <span role="status" aria-live="polite">
      {text ? (
        <button
          type="button"
          data-key-arrived=""
          disabled={asking}
          onClick={() => ask(() => router.refresh())}
          className="inline-flex min-h-8 items-center gap-1.5 rounded-[6px] bg-sky-tint px-2.5 text-[12.5px] font-semibold text-sky hover:underline"
        >
          <ArrowDownToLine size={14} aria-hidden /> {text}: show
        </button>
      ) : null}
    </span>
  );
}
