import type { CheckFigure } from '../checks/types';
import type { Instant, PostId } from '../ids';
import type { Doc } from '../document/nodes';

/** One version of a post as it was shared, with what it had of what was asked. */
export type SharedText = {
  id: PostId;
  n: number;
  title: string;
  doc: Doc;
  ownWords: number;
  checks: CheckFigure[];
  fingerprint: string;
  sharedAt: Instant;
};
