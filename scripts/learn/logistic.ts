import type { Decision } from '@/core/learned/decision';

/** Something of which it is known what it is: its features, the number of its class, how much it counts, and in which text it stands. */
export type Example = { features: readonly string[]; is: number; weight: number; text: string };

const RIDGE = 0.5;
const RATE = 0.25;
const EPOCHS = 25;
/** A feature that stands in fewer texts says nothing of others. */
const LEAST = 2;
/** A weight below this moves nothing. */
const NOTHING = 0.04;

/** The same numbers each time, so that what is learned is the same to the last digit. */
function shuffler(seed: number) {
  let state = seed;
  const random = () => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    return state / 0x7fffffff;
  };
  return (order: number[]) => {
    for (let i = order.length - 1; i > 0; i -= 1) {
      const j = Math.floor(random() * (i + 1));
      [order[i], order[j]] = [order[j] ?? 0, order[i] ?? 0];
    }
  };
}

/** Multinomial logistic regression with a ridge, by adaptive steps (Duchi, Hazan, Singer 2011). */
export function learn(classes: readonly string[], examples: readonly Example[]): Decision {
  const seen = new Map<string, number>();
  const texts = new Map<string, Set<string>>();
  for (const e of examples)
    for (const f of new Set(e.features)) {
      seen.set(f, (seen.get(f) ?? 0) + 1);
      texts.set(f, (texts.get(f) ?? new Set()).add(e.text));
    }
  const told = [...seen.keys()].filter((f) => (texts.get(f)?.size ?? 0) >= LEAST);
  const index = new Map(told.map((f, i) => [f, i] as const));
  const often = Float64Array.from([...index.keys()].map((f) => seen.get(f) ?? 1));
  const size = classes.length;
  const weights = new Float64Array(index.size * size);
  const steps = new Float64Array(index.size * size).fill(1e-6);
  const rows = examples.map((e) => ({
    at: [...new Set(e.features)].flatMap((f) => index.get(f) ?? []),
    is: e.is,
    weight: e.weight,
  }));
  const order = rows.map((_, i) => i);
  const shuffle = shuffler(7);
  const p = new Float64Array(size);
  for (let epoch = 0; epoch < EPOCHS; epoch += 1) {
    shuffle(order);
    const rate = RATE / (1 + epoch / 12);
    for (const row of order.map((o) => rows[o])) {
      if (!row) continue;
      p.fill(0);
      for (const i of row.at)
        for (let k = 0; k < size; k += 1) p[k] = (p[k] ?? 0) + (weights[i * size + k] ?? 0);
      const most = Math.max(...p);
      let all = 0;
      for (let k = 0; k < size; k += 1) all += p[k] = Math.exp((p[k] ?? 0) - most);
      for (let k = 0; k < size; k += 1) {
        const off = ((p[k] ?? 0) / all - (k === row.is ? 1 : 0)) * row.weight;
        for (const i of row.at) {
          const w = i * size + k;
          const slope = off + (RIDGE * (weights[w] ?? 0)) / (often[i] ?? 1);
          steps[w] = (steps[w] ?? 0) + slope * slope;
          weights[w] = (weights[w] ?? 0) - (rate * slope) / Math.sqrt(steps[w] ?? 1);
        }
      }
    }
  }
  const kept = [...index].flatMap(([f, i]) => {
    const of = classes.map((_, k) => Number((weights[i * size + k] ?? 0).toFixed(2)));
    return of.some((w) => Math.abs(w) >= NOTHING) ? [[f, of] as const] : [];
  });
  return { classes, weights: Object.fromEntries(kept.sort(([a], [b]) => (a < b ? -1 : 1))) };
}
