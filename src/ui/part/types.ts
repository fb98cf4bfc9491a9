import type { CheckFigure } from '@/core/checks/types';
import type { Verdict } from '@/core/counting/types';
import type { Doc } from '@/core/posts/document';

export type DeliveredView = {
  verdict: Verdict | null;
  to: string | null;
  private: boolean;
  text: {
    id: number;
    title: string;
    doc: Doc;
    ownWords: number;
    checks: CheckFigure[];
    fingerprint: string;
    sharedAt: number;
  };
};
