import type { CheckFigure } from '@/core/checks/types';
import type { Verdict } from '@/core/counting/types';
import type { Doc } from '@/core/posts/document';

/** A shared post as its author sees it: the text that is judged, and the newest where that is another. */
export type DeliveredTextView = {
  id: number;
  n: number;
  title: string;
  doc: Doc;
  ownWords: number;
  checks: CheckFigure[];
  fingerprint: string;
  sharedAt: number;
  latest: { at: number; title: string; doc: Doc } | null;
  edits: number;
};

export type DeliveredView = {
  verdict: Verdict | null;
  to: string | null;
  private: boolean;
  withdrawn: boolean;
  text: DeliveredTextView;
};
