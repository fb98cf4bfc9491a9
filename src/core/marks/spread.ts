import { roundPoints, sumPoints } from './points';

/** How numbers are spread: the least, the middle, the most, and their mean. */
export type Spread = { n: number; least: number; middle: number; most: number; mean: number };

/**
 * How points are spread over a class; null where there are none.
 * @example spreadOf([10, 20, 12]) // { n: 3, least: 10, middle: 12, most: 20, mean: 14 }
 */
export function spreadOf(points: readonly number[]): Spread | null {
  const sorted = [...points].sort((a, b) => a - b);
  const at = (i: number) => sorted[i] ?? 0;
  const half = sorted.length / 2;
  if (sorted.length === 0) return null;
  return {
    n: sorted.length,
    least: at(0),
    middle: roundPoints(sorted.length % 2 ? at(Math.floor(half)) : (at(half - 1) + at(half)) / 2),
    most: at(sorted.length - 1),
    mean: roundPoints(sumPoints(sorted) / sorted.length),
  };
}
