import { utterances } from '../text/sentences';
import { countWords } from '../text/words';
import { COMPONENTS, MEAN } from './components';

/*
 * What a reply says by its meaning and not by its words: how near each of its sentences is to what the post and the prompt say,
 * and along which lines sentences of replies differ most. Vectors of sentences come from a model; what is made of them is here.
 */

/** So many sentences of each are looked at: two pages. */
const MOST = { reply: 24, post: 24, prompt: 12 };
export type Weighed = { reply: string; post: string; prompt: string };

const cut = (text: string, most: number) =>
  utterances(text)
    .slice(0, most)
    .map((s) => s.text);

/**
 * The sentences whose meanings are asked for.
 * @example sentencesToWeigh({ reply: 'Why? How?', post: 'So it is.', prompt: '' }).reply.length // 2
 */
export const sentencesToWeigh = (of: Weighed) => ({
  reply: cut(of.reply, MOST.reply),
  post: cut(of.post, MOST.post),
  prompt: cut(of.prompt, MOST.prompt),
});

type Vector = ArrayLike<number>;
const dot = (a: Vector, b: Vector) => {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[i] ?? 0);
  return sum;
};
const unit = (v: Vector): number[] => {
  const length = Math.max(1e-9, Math.sqrt(dot(v, v)));
  return Array.from(v, (x) => x / length);
};
/**
 * A sentence’s direction beside what all sentences here have in common.
 * @example centred(vector).length // 512
 */
export const centred = (v: Vector): number[] => unit(unit(v).map((x, i) => x - (MEAN[i] ?? 0)));

const NONE = new Array<number>(MEAN.length).fill(0);
const mean = (all: readonly Vector[]): number[] =>
  NONE.map((_, i) => all.reduce((n, v) => n + (v[i] ?? 0), 0) / Math.max(1, all.length));
const most = (v: Vector, others: readonly Vector[]) =>
  others.length ? Math.max(...others.map((o) => dot(v, o))) : 0;

/** Sentences this near say nearly the same; those this far, nothing of it. */
const SAME = 0.45;
const NEAR = 0.3;
const FAR = 0.15;

/* Of whom a sentence speaks, and whether it denies or supposes: words that every subject has, of which there are no more. */
const SECOND = /\b(?:you|your|yours|yourself|u|ur)\b/iu;
const FIRST = /\b(?:i|my|me|mine|we|our|us)\b/iu;
const DENIES = /\b(?:not|no|nobody|nothing|never|none|without|only|but|however|though)\b|n[’']t\b/giu;
const SUPPOSES = /\b(?:if|would|could|might|may|unless)\b/giu;
const asks = (sentence: string) => sentence.includes('?');
/** It tells the other what the other said: who retells does little else. */
const tellsThem = (sentence: string) => SECOND.test(sentence) && !FIRST.test(sentence) && !asks(sentence);

/** How a reply lies to what it answers, in numbers about 0; in the order of {@link MEANT}. */
export type Meant = number[];
export const MEANT = [
  ...[
    'near',
    'nearest',
    'farthest',
    'same',
    'close',
    'far',
    'covered',
    'coveredWell',
    'whole',
    'wholePrompt',
  ],
  ...['nearPrompt', 'nearerPost', 'uneven', 'inOrder'],
  ...['tellsThem', 'ofSelf', 'asks', 'denies', 'supposes', 'nearOfThem'],
  ...COMPONENTS.map((_, i) => `line${i + 1}`),
];

/**
 * The measures of a reply by its meaning, from the vectors of its sentences and of those it answers.
 * @example meantBy(['Why?'], { reply: [v], post: [v], prompt: [] })[0] // 1: it says what the post says
 */
export function meantBy(
  sentences: readonly string[],
  vectors: { reply: readonly Vector[]; post: readonly Vector[]; prompt: readonly Vector[] },
): Meant {
  const reply = vectors.reply.map(centred);
  const post = vectors.post.map(centred);
  const prompt = vectors.prompt.map(centred);
  const words = sentences.map((s) => Math.max(1, countWords(s)));
  const all = words.reduce((a, b) => a + b, 0);
  const share = (of: (i: number) => number) =>
    reply.reduce((n, _, i) => n + (of(i) * (words[i] ?? 0)) / Math.max(1, all), 0);
  const near = reply.map((v) => most(v, post));
  const nearPrompt = reply.map((v) => most(v, prompt));
  const covered = post.map((v) => most(v, reply));
  const average = near.reduce((a, b) => a + b, 0) / Math.max(1, near.length);
  const uneven = Math.sqrt(near.reduce((n, x) => n + (x - average) ** 2, 0) / Math.max(1, near.length));
  const answered = reply.map((v) => {
    const to = post.map((p) => dot(v, p));
    return to.indexOf(Math.max(...to));
  });
  const steps = answered.slice(1).map((at, i) => (at >= (answered[i] ?? 0) ? 1 : 0));
  const inOrder = steps.length > 1 ? (steps.reduce((a: number, b) => a + b, 0) / steps.length) * average : 0;
  const whole = unit(mean(reply));
  const saying = (is: (sentence: string) => boolean) => share((i) => Number(is(sentences[i] ?? '')));
  const often = (words: RegExp) =>
    sentences.reduce((n, s) => n + (s.match(words)?.length ?? 0), 0) / Math.max(1, all);
  return [
    share((i) => near[i] ?? 0),
    near.length ? Math.max(...near) : 0,
    near.length ? Math.min(...near) : 0,
    share((i) => Number((near[i] ?? 0) > SAME)),
    share((i) => Number((near[i] ?? 0) > NEAR)),
    share((i) => Number((near[i] ?? 0) < FAR)),
    covered.reduce((a, b) => a + b, 0) / Math.max(1, covered.length),
    covered.filter((c) => c > SAME).length / Math.max(1, covered.length),
    dot(whole, unit(mean(post))),
    dot(whole, unit(mean(prompt))),
    share((i) => nearPrompt[i] ?? 0),
    share((i) => (near[i] ?? 0) - (nearPrompt[i] ?? 0)),
    uneven,
    inOrder,
    saying(tellsThem),
    saying((s) => FIRST.test(s)),
    saying(asks),
    often(DENIES),
    often(SUPPOSES),
    share((i) => (SECOND.test(sentences[i] ?? '') ? (near[i] ?? 0) : 0)),
    ...COMPONENTS.map((line) => share((i) => dot(reply[i] ?? NONE, line))),
  ];
}
