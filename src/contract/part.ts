import type { Verdict } from '@/core/counting/types';
import type { Instant } from '@/core/ids';
import type { SharedText } from '@/core/posts/shared-text';
import type { Doc } from '@/core/document/nodes';

/** A shared post as its author sees it: the text that is judged, and the newest one where that is another. */
export type JudgedText = SharedText & {
  latest: { at: Instant; title: string; doc: Doc } | null;
  edits: number;
};

/** A post the reader shared: what it says, whom it answers, and what it counted as. */
export type OwnShared = {
  verdict: Verdict | null;
  to: string | null;
  private: boolean;
  withdrawn: boolean;
  text: JudgedText;
  /** What came of it: by how many classmates it was read, from five on; replies; "well said". */
  reach: { readBy: number | null; replies: number; wellSaid: number };
};
