import type { Decision } from '../../learned/decision';
import type { Learned } from './learned';
import { WEIGHTS } from './weights';

/**
 * What was learned, out of its module: "# question, its classes", then a line for each feature with its weights in
 * hundredths, of those classes for which it has any.
 * @example unpack('# side\tresponse replies\nto:replies\t1=150').side.weights // { 'to:replies': [0, 1.5] }
 */
export function unpack(text: string): Partial<Learned> {
  const found: Record<string, Decision & { weights: Record<string, number[]> }> = {};
  let of: (Decision & { weights: Record<string, number[]> }) | undefined;
  for (const line of text.split('\n')) {
    const [name = '', rest = ''] = line.split('\t');
    if (name.startsWith('# ')) {
      of = { classes: rest.split(' '), weights: {} };
      found[name.slice(2)] = of;
      continue;
    }
    if (!of) continue;
    const weights = of.classes.map(() => 0);
    for (const pair of rest.split(' ')) {
      const [k, w] = pair.split('=').map(Number);
      if (k !== undefined && w !== undefined) weights[k] = w / 100;
    }
    of.weights[name] = weights;
  }
  return found as Partial<Learned>;
}

let known: Learned | null = null;
/**
 * What the reader decides by; made ready with the first prompt that is read.
 * @example learned().side.classes // ['response', 'replies']
 */
export const learned = (): Learned => (known ??= unpack(WEIGHTS) as Learned);
