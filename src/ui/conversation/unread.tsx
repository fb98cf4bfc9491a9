'use client';

import { useSyncExternalStore } from 'react';
import { isUnreadNow, setRead, subscribeReading } from './reading-store';

/** How many posts of a thread are unread, kept in step with what is being read beside it. */
export function UnreadOf({ posts }: { posts: number[] }) {
  const count = () => posts.filter((p) => isUnreadNow(p, true)).length;
  const n = useSyncExternalStore(subscribeReading, count, () => posts.length);
  return n > 0 ? (
    <span className="rounded-[5px] bg-sky-tint px-1.5 text-[11.5px] font-semibold text-sky">{n} unread</span>
  ) : null;
}

/** The sign of an unread post on a line: a dot, and the word for who hears it. */
export function UnreadDot({ post }: { post: number }) {
  const unread = useSyncExternalStore(
    subscribeReading,
    () => isUnreadNow(post, true),
    () => true,
  );
  return unread ? (
    <span className="size-2.5 shrink-0 rounded-full bg-sky" title="Unread">
      <span className="sr-only">unread</span>
    </span>
  ) : null;
}

/** Says whether a post is unread, and sets it back or marks it by hand. */
export function ReadMark(props: { slug: string; post: number; unread: boolean; author: string }) {
  const { slug, post } = props;
  const unread = useSyncExternalStore(
    subscribeReading,
    () => isUnreadNow(post, props.unread),
    () => props.unread,
  );
  return (
    <button
      type="button"
      onClick={() => setRead(slug, post, unread)}
      aria-label={`${unread ? 'Unread: mark as read' : 'Read: mark as unread'}, post ${post} by ${props.author}`}
      className={`inline-flex min-h-6 shrink-0 items-center rounded-[5px] px-1.5 text-[11.5px] font-semibold hover:underline ${
        unread ? 'bg-sky-tint text-sky' : 'text-ink-2'
      }`}
    >
      {unread ? 'unread' : 'read'}
    </button>
  );
}
