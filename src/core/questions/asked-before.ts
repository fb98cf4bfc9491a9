import { stemsOf } from '../text/terms';

/** What stands somewhere in a course and may answer what somebody is about to ask. */
export type Earlier = { id: string; title: string; text: string; answer: string };
/** The same with where its texts stand among meanings, one after the other (see `meaningOf`). */
export type Known = Earlier & { meaning: ArrayLike<number> };
/** From 0 to 1: how near it is to what is asked. */
export type Offer = { id: string; nearness: number };

/** Nearer than this it is offered: whoever asks something new is not to be held up. Set on questions that were looked at (`tests/questions`). */
const LEAST = 0.437;
const MOST = 3;
/** What is so much farther than the nearest is not offered beside it. */
const WITHIN = 0.12;
/** Words that are the same add to what is meant by them. */
const WORDS = 0.1;
/** Beyond the nearest by meaning nothing is looked at word by word. */
const LOOKED_AT = 24;
const LONGEST = 300;
/** Of how many texts the meaning of a question is. */
const TEXTS = 4;

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

/** The product of a vector with as many numbers of a list, from one of these on. */
function dot(a: ArrayLike<number>, b: ArrayLike<number>, from = 0): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[from + i] ?? 0);
  return sum;
}

const lengthOf = (v: ArrayLike<number>) => Math.sqrt(dot(v, v)) || 1;

/**
 * The meanings of several texts as one list: each as a vector of length one, after one another.
 *
 * @param vectors one for each text, all of one size
 * @example meaningOf([[2, 0], [0, 3]]) // [1, 0, 0, 1]
 */
export const meaningOf = (vectors: readonly (readonly number[])[]): number[] =>
  vectors.flatMap((v) => {
    const length = lengthOf(v);
    return v.map((x) => x / length);
  });

/** The answer of a question is the last of its texts: what is asked is not as near to it as to what was asked. */
const QUESTION_TEXTS = 3;

/** How near one text is to several, from -1 to 1: the mean of how near it is to each, and to the nearest that asks. */
function nearnessOf(one: ArrayLike<number>, several: ArrayLike<number>): number {
  const n = Math.max(1, Math.floor(several.length / (one.length || 1)));
  const each = Array.from({ length: n }, (_, i) => dot(one, several, i * one.length));
  const mean = each.reduce((sum, x) => sum + x, 0) / n;
  return (mean + Math.max(...each.slice(0, QUESTION_TEXTS))) / 2;
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

/** The mean of the texts of a question as one vector. */
function meanOf(meaning: ArrayLike<number>, texts: number): number[] {
  const size = Math.floor(meaning.length / texts);
  return Array.from({ length: size }, (_, i) => {
    let sum = 0;
    for (let text = 0; text < texts; text += 1) sum += meaning[text * size + i] ?? 0;
    return sum / texts;
  });
}

/**
 * Which of some questions ask much the same as another, the nearest first.
 *
 * @param texts of how many texts each meaning is
 * @example alike([1, 0], [{ id: '7', meaning: [0.9, 0.1], … }], 1) // ['7']
 */
export function alike(
  meaning: ArrayLike<number>,
  all: readonly Pick<Known, 'id' | 'meaning'>[],
  texts: number = TEXTS,
): string[] {
  const own = meanOf(meaning, texts);
  return all
    .map(({ id, meaning: other }) => {
      const theirs = meanOf(other, texts);
      return { id, near: dot(own, theirs) / (lengthOf(own) * lengthOf(theirs)) };
    })
    .filter((o) => o.near >= ALIKE)
    .sort((a, b) => b.near - a.near)
    .map((o) => o.id);
}
