import type { Levels, Rubric } from '@/core/rubric/rubric';
import type { ReleasedMark } from './marks';

/** What a text is marked by, what its writer thought of it before sharing, and the mark, as far as each is there. */
export type RubricSheet = {
  rubric: Rubric | null;
  estimate: Levels | null;
  mark: ReleasedMark | null;
};
