'use client';

import { MailOpen } from 'lucide-react';
import Link from 'next/link';
import { useSyncExternalStore } from 'react';
import { addressOf, type Look } from './address';
import { isUnreadNow, subscribeReading } from './reading-store';

/** Leads to the next post that is unread by now: what was read since the page was made is passed over. */
export function NextUnread({ look, ahead }: { look: Look; ahead: readonly number[] }) {
  const first = () => ahead.find((p) => isUnreadNow(p, true)) ?? null;
  const post = useSyncExternalStore(subscribeReading, first, () => ahead[0] ?? null);
  if (post === null) return <span className="px-1.5 text-[12.5px] text-ink-2">All read</span>;
  return (
    <Link
      className="btn min-h-8 px-2.5 py-0 text-[12.5px]"
      href={addressOf(look, { post })}
      data-key-unread=""
      prefetch={false}
    >
      <MailOpen size={14} aria-hidden /> Next unread
    </Link>
  );
}
