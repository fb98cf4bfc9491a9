'use client';

import { following } from '@/contract/conversation';
import { call } from '../request/call';
import { Bell, BellOff } from 'lucide-react';
import { useState } from 'react';

/** Follows a thread, or the discussion, or does so no more: one press, at once. */
export function FollowButton(props: {
  slug: string;
  /** The response of the thread; null is the discussion. */
  thread: number | null;
  followed: boolean;
  /** What is followed, as it is called. */
  what?: string;
}) {
  const [followed, setFollowed] = useState(props.followed);
  const [trouble, setTrouble] = useState(false);
  const what = props.what ?? (props.thread === null ? 'discussion' : 'thread');
  const toggle = async () => {
    const on = !followed;
    setFollowed(on);
    setTrouble(false);
    const { slug, thread } = props;
    const answer = await call(following, { slug }, { thread, on }, { keepalive: true });
    if (answer.ok) return;
    setFollowed(!on);
    setTrouble(true);
  };
  return (
    <>
      <button
        type="button"
        aria-pressed={followed}
        aria-label={`Follow this ${what}`}
        onClick={() => void toggle()}
        className={`inline-flex min-h-8 items-center gap-1.5 rounded-[6px] px-2 text-[12.5px] font-semibold hover:underline ${
          followed ? 'text-pine-ink' : 'text-ink-2'
        }`}
      >
        {followed ? <Bell size={14} aria-hidden /> : <BellOff size={14} aria-hidden />}
        <span className="max-sm:sr-only">{followed ? `Following ${what}` : `Follow ${what}`}</span>
      </button>
      {trouble ? (
        <span role="alert" className="text-[12.5px] text-brick">
          Pulpit did not take that. Try again.
        </span>
      ) : null}
    </>
  );
}
