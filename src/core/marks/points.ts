/**
 * Points to the hundredth, halves away from zero: the one place where a mark is rounded. Sums are of rounded parts, so that what a
 * page shows adds up.
 * @example roundPoints(2.345) // 2.35
 */
export const roundPoints = (n: number): number => {
  const hundredths = Math.round(Number(`${Math.abs(n)}e2`));
  return (Math.sign(n) * hundredths) / 100 || 0;
};

/** @example sumPoints([0.1, 0.2]) // 0.3 */
export const sumPoints = (all: readonly number[]): number => roundPoints(all.reduce((a, b) => a + b, 0));

/**
 * A share in percent, to the tenth; null of nothing.
 * @example percentOf(17, 20) // 85
 */
export const percentOf = (points: number, of: number): number | null =>
  of > 0 ? Math.round((points * 1_000) / of) / 10 : null;
