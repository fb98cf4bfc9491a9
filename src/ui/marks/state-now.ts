import type { MarkState } from '@/contract/marks';
import { isBegun, type Mark, type Score } from '@/core/marks/mark';

/** How far a mark is that was written on since the page was made. */
export const stateNow = (before: MarkState, mark: Mark, score: Pick<Score, 'open'>): MarkState =>
  before === 'held'
    ? 'held'
    : before === 'released' || before === 'changed'
      ? 'changed'
      : score.open
        ? isBegun(mark)
          ? 'begun'
          : 'unwritten'
        : 'written';
