'use client';

import { summarise } from '@/core/counting/summary';
import { discussionState } from '@/core/deadlines/state';
import { instant } from '@/core/ids';
import { useServerNow } from '../frame/server-clock';
import { standing } from '../words/standing';
import type { HeadView } from './types';

/** The head's deadline, counting down by the server's clock. What may be shared is the server's decision, not this. */
export function Countdown({ head }: { head: HeadView }) {
  const now = useServerNow(head.now);
  const { ledger, schedule } = head;
  const s = ledger && summarise(ledger, now);
  const state = discussionState(
    schedule,
    instant(now),
    s ? { response: s.owedResponse, replies: s.owedReplies > 0 } : undefined,
  );
  return (
    <span suppressHydrationWarning>
      {standing({ ...head, state, draftChecks: null, replyDrafts: 0, unreadReplies: 0 }, now).due.head}
    </span>
  );
}
