import type { CheckFigure } from '@/core/checks/types';
import type { Balance } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';

/** What it takes to say where a discussion stands for its reader. */
export type StatusInput = {
  state: DiscussionState;
  schedule: Schedule;
  ledger: Balance | null;
  /** What the response's draft has and lacks, as it was last kept. */
  draftChecks: CheckFigure[] | null;
  replyDrafts: number;
  unreadReplies: number;
  sealed: boolean;
};
