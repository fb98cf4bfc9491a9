'use client';

import { summarise } from '@/core/counting/summary';
import { discussionState } from '@/core/deadlines/state';
import { instant } from '@/core/ids';
import { useServerNow } from '../frame/server-clock';
import { standing } from '../words/status';
import { countdown } from '../words/time';
import type { DiscussionHead } from '@/contract/discussion';

/**
 * The head's deadline, counting down by the server's clock, and the state it comes to when that is over. What may be shared
 * is the server's decision, not this.
 */
export function Countdown({ head }: { head: DiscussionHead }) {
  const now = useServerNow(head.now, 1_000);
  const { ledger, schedule } = head;
  const s = ledger && summarise(ledger, now);
  const state = discussionState(
    schedule,
    instant(now),
    s ? { response: s.owedResponse, replies: s.owedReplies > 0 } : undefined,
  );
  const { due } = standing({ ...head, state, draftChecks: null, replyDrafts: 0, unreadReplies: 0 }, now);
  return (
    <span suppressHydrationWarning>
      {due.live ? `${due.live.before}${countdown(due.live.to - now)}${due.live.after}` : due.head}
    </span>
  );
}
