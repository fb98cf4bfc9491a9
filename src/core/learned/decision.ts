/** A decision learned from examples: for each feature, how much it speaks for each of the classes. */
export type Decision = { classes: readonly string[]; weights: Readonly<Record<string, readonly number[]>> };

/**
 * How likely each class is, in the order of the classes, for something that has these features (softmax).
 * @example chances({ classes: ['no', 'yes'], weights: {} }, []) // [0.5, 0.5]
 */
export function chances({ classes, weights }: Decision, features: readonly string[]): number[] {
  const sums = classes.map(() => 0);
  for (const f of new Set(features)) {
    if (!Object.hasOwn(weights, f)) continue;
    weights[f]?.forEach((w, k) => (sums[k] = (sums[k] ?? 0) + w));
  }
  const most = Math.max(...sums);
  const exp = sums.map((s) => Math.exp(s - most));
  const all = exp.reduce((a, b) => a + b, 0);
  return exp.map((e) => e / all);
}
