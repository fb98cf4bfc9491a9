import type { Part } from '../brief/brief';
import { stemsOf } from '../text/terms';

/** What so many of a question's weighty words must be in a passage for it to be taken as its answer. */
const ENOUGH_SHARE = 0.25;

export type Meant = { part: Part; at: number };

/**
 * Which passages answer which questions, told by the words they share: for texts whose part headings were taken out. Answers
 * come in the order of the questions, as people write them; a passage that shares nothing with a question answers none,
 * and a question with no such passage stays unanswered. `at` is the passage's index.
 *
 * @example of "The wall costs more." and "My town has none.", asked "What does the wall cost?", the first is meant
 */
export function meantParts(texts: readonly string[], parts: readonly Part[]): Meant[] {
  const asked = parts.map((p) => stemsOf(p.text));
  const rarity = (s: string) => 1 / asked.filter((set) => set.has(s)).length;
  const weight = asked.map((set) => [...set].reduce((n, s) => n + rarity(s), 0));
  const said = texts.map(stemsOf);
  const share = (t: number, p: number) => {
    const set = asked[p];
    const total = weight[p] ?? 0;
    if (!set || total === 0) return 0;
    const hit = [...set].filter((s) => said[t]?.has(s)).reduce((n, s) => n + rarity(s), 0);
    return hit / total;
  };
  // The best way to deal passages out in order: best[t][p] is what the first t passages give to the first p questions.
  const best = Array.from({ length: texts.length + 1 }, () => new Array<number>(parts.length + 1).fill(0));
  for (let t = 1; t <= texts.length; t += 1) {
    for (let p = 1; p <= parts.length; p += 1) {
      const s = share(t - 1, p - 1);
      const row = best[t];
      if (row)
        row[p] = Math.max(
          best[t - 1]?.[p] ?? 0,
          row[p - 1] ?? 0,
          s >= ENOUGH_SHARE ? (best[t - 1]?.[p] ?? 0) + s : 0,
          s >= ENOUGH_SHARE ? (best[t - 1]?.[p - 1] ?? 0) + s : 0,
        );
    }
  }
  const meant: Meant[] = [];
  let p = parts.length;
  for (let t = texts.length; t > 0 && p > 0;) {
    const now = best[t]?.[p] ?? 0;
    if (now === (best[t - 1]?.[p] ?? 0)) t -= 1;
    else if (now === (best[t]?.[p - 1] ?? 0)) p -= 1;
    else {
      const part = parts[p - 1];
      if (part) meant.push({ part, at: t - 1 });
      const s = share(t - 1, p - 1);
      const alone = (best[t - 1]?.[p - 1] ?? 0) + s === now;
      t -= 1;
      if (alone) p -= 1;
    }
  }
  return withGaps(meant.reverse(), texts.length, parts);
}

/**
 * Passages that nothing tells, between passages that are told: where there are at least as many of them as questions
 * between those answered, they answer them in order. Without any passage that is told nothing is guessed.
 */
function withGaps(meant: readonly Meant[], passages: number, parts: readonly Part[]): Meant[] {
  if (meant.length === 0) return [];
  const numberOf = (m: Meant) => parts.indexOf(m.part);
  const out: Meant[] = [...meant];
  const edges = [
    { at: -1, n: -1 },
    ...meant.map((m) => ({ at: m.at, n: numberOf(m) })),
    { at: passages, n: parts.length },
  ];
  edges.slice(1).forEach((next, i) => {
    const before = edges[i];
    if (!before) return;
    const open = next.n - before.n - 1;
    const free = next.at - before.at - 1;
    if (open < 1 || free < open) return;
    for (let k = 0; k < open; k += 1) {
      const part = parts[before.n + 1 + k];
      if (part) out.push({ part, at: before.at + 1 + k });
    }
  });
  return out.sort((a, b) => a.at - b.at);
}
