import type { CheckId } from '@/core/brief/brief';
import type { Verdict } from '@/core/counting/types';
import type { Doc } from '@/core/posts/document';

export type CheckFigureView = {
  id: CheckId;
  have: number;
  need: { min?: number; max?: number };
  met: boolean;
  required: boolean;
};

export type DeliveredView = {
  verdict: Verdict | null;
  to: string | null;
  private: boolean;
  text: {
    id: number;
    title: string;
    doc: Doc;
    ownWords: number;
    checks: CheckFigureView[];
    fingerprint: string;
    sharedAt: number;
  };
};
