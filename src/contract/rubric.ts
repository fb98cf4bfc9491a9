import type { Levels, Rubric } from '@/core/rubric/rubric';

export type RubricSheet = {
  rubric: Rubric;
  estimate: Levels | null;
  mark: { levels: Levels; comment: string; marker: string; markedAt: number } | null;
};
