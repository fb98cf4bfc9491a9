import type { Brief } from '@/core/brief/brief';
import type { Given } from '@/core/checks/not-own';
import type { Checked } from '@/core/checks/checks';
import type { Seal } from '@/core/counting/seal';
import type { Ledger } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Doc } from '@/core/posts/document';

export type Room = 'response' | 'conversation' | 'part';

/** What stands over each of a discussion's rooms. */
export type HeadView = {
  slug: string;
  title: string;
  course: { code: string; title: string; slug: string; outside: boolean };
  week: number;
  brief: Brief;
  schedule: Schedule;
  state: DiscussionState;
  ledger: Ledger | null;
  staff: boolean;
  sealed: boolean;
  seal: Seal | null;
  responded: boolean;
  responses: number;
  othersResponses: number;
  now: number;
};

export type DraftView = {
  submission: string;
  revision: number;
  title: string;
  doc: Doc;
  keptAt: number | null;
  checked: Checked;
  readings: readonly string[];
  given: readonly Given[];
};
