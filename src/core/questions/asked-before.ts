import { stemsOf } from '../text/terms';

/** What stands somewhere in a course and may answer what somebody is about to ask. */
export type Earlier = { id: string; title: string; text: string; answer: string };
/** The same with where it stands among meanings: a vector of length one (see `meaningOf`). */
export type Known = Earlier & { meaning: ArrayLike<number> };
/** From 0 to 1: how near it is to what is asked. */
export type Offer = { id: string; nearness: number };

/** Nearer than this it is offered: whoever asks something new is not to be held up. Set on questions that were looked at (`tests/questions`). */
const LEAST = 0.375;
const MOST = 3;
/** What is so much farther than the nearest is not offered beside it. */
const WITHIN = 0.12;
/** Words that are the same add to what is meant by them. */
const WORDS = 0.15;
/** Beyond the nearest by meaning nothing is looked at word by word. */
const LOOKED_AT = 24;
const LONGEST = 300;

/**
 * The texts of something in a course whose meanings are taken together: its title, its words, both, and its answer.
 * @example textsOf({ id: '1', title: 'Late?', text: '', answer: '' }) // ['Late?', 'Late?', 'Late?', 'Late?']
 */
export function textsOf({ title, text, answer }: Earlier): [string, string, string, string] {
  const name = title.trim() || text.trim() || '-';
  const words = text.trim() || name;
  const cut = (said: string) => said.slice(0, LONGEST);
  return [cut(name), cut(words), cut(`${title} ${text}`.trim() || name), cut(answer.trim() || name)];
}

const lengthOf = (v: ArrayLike<number>) => Math.sqrt(nearnessOf(v, v)) || 1;

function nearnessOf(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[i] ?? 0);
  return sum;
}

/**
 * The meanings of several texts as one: the mean of vectors of length one, so that nearness to it is the mean of the nearnesses to each.
 *
 * @param vectors one for each text, all of one size
 * @example meaningOf([[2, 0], [0, 3]]) // [0.5, 0.5]
 */
export function meaningOf(vectors: readonly (readonly number[])[]): number[] {
  const [first = []] = vectors;
  const lengths = vectors.map(lengthOf);
  return first.map(
    (_, i) => vectors.reduce((sum, v, j) => sum + (v[i] ?? 0) / (lengths[j] ?? 1), 0) / vectors.length,
  );
}

/**
 * Which of some questions are nearest to a meaning, the nearest first: so many as are looked at word by word.
 * @example nearest([1, 0], [{ id: '7', meaning: [0.1, 0.9] }, { id: '9', meaning: [0.9, 0.1] }]) // ['9', '7']
 */
export function nearest(meaning: ArrayLike<number>, all: readonly Pick<Known, 'id' | 'meaning'>[]): string[] {
  return all
    .map((known) => ({ id: known.id, meant: nearnessOf(meaning, known.meaning) }))
    .sort((a, b) => b.meant - a.meant)
    .slice(0, LOOKED_AT)
    .map((n) => n.id);
}

/** How much each place says of what is asked for there. */
const WEIGHT = { title: 1, text: 0.8, answer: 0.55 } as const;

function weighted(known: Earlier): Map<string, number> {
  const stems = new Map<string, number>();
  for (const place of ['answer', 'text', 'title'] as const)
    for (const stem of stemsOf(known[place])) stems.set(stem, WEIGHT[place]);
  return stems;
}

/**
 * How much of what is asked stands in each of some texts, from 0 to 1: what is rare among them weighs more than what stands in all.
 */
function shared(asked: ReadonlySet<string>, all: readonly Earlier[]): number[] {
  const documents = all.map(weighted);
  const wanted = [...asked].map((stem) => {
    const n = documents.filter((d) => d.has(stem)).length;
    return { stem, weight: Math.log(1 + (all.length - n + 0.5) / (n + 0.5)) };
  });
  const whole = wanted.reduce((sum, w) => sum + w.weight, 0) || 1;
  return documents.map(
    (d) => wanted.reduce((sum, { stem, weight }) => sum + weight * (d.get(stem) ?? 0), 0) / whole,
  );
}

/**
 * What of a course has asked, or answers, the same as somebody is about to: at most three, the nearest first, and none where none is near. What is meant
 * decides, words that are the same help.
 *
 * @param ask what is typed, and its meaning
 * @example an earlier question in other words // that question, first
 */
export function askedBefore(
  ask: { text: string; meaning: ArrayLike<number> },
  earlier: readonly Known[],
): Offer[] {
  const length = lengthOf(ask.meaning);
  const near = earlier
    .map((known) => ({ known, meant: nearnessOf(ask.meaning, known.meaning) / length }))
    .sort((a, b) => b.meant - a.meant)
    .slice(0, LOOKED_AT);
  const words = shared(
    stemsOf(ask.text),
    near.map((n) => n.known),
  );
  return near
    .map(({ known, meant }, i) => ({ id: known.id, nearness: meant + WORDS * (words[i] ?? 0) }))
    .sort((a, b) => b.nearness - a.nearness)
    .filter((o, _, [first]) => o.nearness >= LEAST && o.nearness >= (first?.nearness ?? 0) - WITHIN)
    .slice(0, MOST);
}

/** From here on two questions are likely to be answered by one answer; staff say so, one by one. */
const ALIKE = 0.6;

/**
 * Which of some questions ask much the same as another, the nearest first.
 * @example alike([1, 0], [{ id: '7', meaning: [0.9, 0.1], … }]) // ['7']
 */
export function alike(meaning: ArrayLike<number>, all: readonly Pick<Known, 'id' | 'meaning'>[]): string[] {
  return all
    .map(({ id, meaning: other }) => ({
      id,
      near: nearnessOf(meaning, other) / (lengthOf(meaning) * lengthOf(other)),
    }))
    .filter((o) => o.near >= ALIKE)
    .sort((a, b) => b.near - a.near)
    .map((o) => o.id);
}
