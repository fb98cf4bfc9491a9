import type { Verdict } from '@/core/counting/types';
import type { Instant } from '@/core/ids';
import type { DeliveredText } from '@/core/posts/delivered';
import type { Doc } from '@/core/document/nodes';

/** A shared post as its author sees it: the text that is judged, and the newest one where that is another. */
export type Delivered = DeliveredText & {
  latest: { at: Instant; title: string; doc: Doc } | null;
  edits: number;
};

/** A post the reader shared: what it says, whom it answers, and what it counted as. */
export type OwnDelivery = {
  verdict: Verdict | null;
  to: string | null;
  private: boolean;
  withdrawn: boolean;
  text: Delivered;
};
