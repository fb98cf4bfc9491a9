import type { Measures, Verdict } from './judge';
import { LEARNED } from './learned';

/** From here a reply is called substantive; in held-out subjects at least nine in ten of those are. */
const SUBSTANTIVE = 0.75;
/** Below this it is called thin, likewise. Between the two it is left to what is found in it. */
const THIN = 0.25;

/**
 * Whether a reply says something, by its words and its meaning together (logistic, fitted on labelled replies).
 * @example weigh(measures, meant) // { score: 0.93, verdict: 'substantive' }
 */
export function weigh(measures: Measures, meant: readonly number[]): { score: number; verdict: Verdict } {
  const values = [...Object.values(measures), ...meant];
  const sum = values.reduce((n, v, i) => {
    const of = LEARNED.of[i];
    return of ? n + (of.weight * (v - of.mean)) / of.spread : n;
  }, LEARNED.bias);
  const score = 1 / (1 + Math.exp(-sum));
  return { score, verdict: score >= SUBSTANTIVE ? 'substantive' : score >= THIN ? 'fair' : 'thin' };
}
