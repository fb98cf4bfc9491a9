import { readAnswered, type Answered, type ReadAnswered } from './answered';
import { AGAINST, facetsOf, type Facet, type FacetKind } from './facets';
import { measure, type Measured, type MeasuredSentence } from './measure';

export type Verdict = 'thin' | 'fair' | 'substantive';
/** `score` runs from 0 to 1; from 0.5 a reply is likelier substantive than not, which is too little to call it so. */
export type Judgement = {
  score: number;
  verdict: Verdict;
  words: number;
  facets: Facet[];
  /** None of a reply without a word. */
  measures: Measures | null;
};

/** From here a reply may be called substantive; between the two it has something. */
const SURE = 0.9;
const FAIR = 0.3;
/** What a good reply may do besides. */
const FORGIVEN: ReadonlySet<FacetKind> = new Set(['praise', 'agreement', 'vague-question']);
/** And it is called so only where nothing of this is seen in it: an empty reply that is praised is worse than a good one that is not. */
const DOUBTFUL: ReadonlySet<FacetKind> = new Set(AGAINST.filter((kind) => !FORGIVEN.has(kind)));
const MOVES: ReadonlySet<FacetKind> = new Set([
  'reason',
  'evidence',
  'example',
  'counter',
  'correction',
  'question',
]);
/** So many words that neither post nor prompt has. */
const ENOUGH_NEW = 3;

/** Whether a reply takes up a point, moves it on with something of its own, and nothing makes that doubtful. */
const isSure = (score: number, facets: readonly Facet[]) =>
  score >= SURE &&
  facets.some((f) => f.kind === 'point') &&
  facets.some((f) => MOVES.has(f.kind)) &&
  facets.some((f) => f.kind === 'adds' && f.spans.length >= ENOUGH_NEW) &&
  !facets.some((f) => DOUBTFUL.has(f.kind));

/** A retelling of less than this is the taking up of a point, which every answer needs. */
const TAKING_UP = 0.35;
/** Beyond this a reply is no more about the topic for having still more of the topic's words. */
const TOPICAL_MOST = 0.6;

/** Ten measures of a reply by its words. */
export type Measures = Record<keyof typeof WEIGHTS, number>;

/**
 * What each measure weighs. Every measure is a share of the reply and not an amount, so that a short reply can be as good as a
 * long one and a long one gains nothing by its length. Fitted on labelled replies of thirteen subjects (tests/replies), each
 * time tested on a subject that was left out, and rounded.
 */
const WEIGHTS = {
  /** Sentences that argue about something said: the thing itself. One that only joins the two is half of that. */
  argued: 6,
  /** Sentences that speak to the classmate or take up a word of theirs. Without any it talks past them. */
  addressed: 2.5,
  /** Weighty words that are the topic's: the post's, the prompt's, the class's. What is off topic has few. */
  topical: 3.5,
  /** Words further than a sentence from anything of the post or the prompt: a story that does not come back. */
  adrift: -2.5,
  /** Sentences of praise and of bare agreement. Little: good answers open with them. */
  idle: -3.5,
  /** Sentences about one's own post. */
  ownPost: -1.5,
  /** Sentences that report what the classmate said. Not much: one reports in order to answer. */
  reported: -4,
  /** Words that go through the post in its order, beyond the taking up of a point. */
  retold: -5,
  /** Words of good will and wide views. */
  stock: -4,
  /** Whether anything is said against, beside or short of what was said, at all and then more. */
  weighed: 2.5,
};
const BIAS = -5.4;

const share = (all: readonly MeasuredSentence[], is: (s: MeasuredSentence) => boolean) =>
  all.length ? all.filter(is).length / all.length : 0;

/** It takes up a word of the classmate's, quotes one, or says "you". */
const speaksToThem = (s: MeasuredSentence) => s.theirs.length > 0 || s.copied > 0 || s.signs.second;

/** What is judged: a kind word to begin with is manners, and no part of an answer that follows. */
const judged = (all: readonly MeasuredSentence[]) =>
  all[0]?.idle && all.some((s) => s.argues) ? all.slice(1) : all;

/** @example ten shares, each from 0 to 1 or a small count */
export function measuresOf({ sentences: all, retold }: Measured): Measures {
  const sentences = judged(all);
  const sum = (of: (s: MeasuredSentence) => number) => sentences.reduce((n, s) => n + of(s), 0);
  const words = sum((s) => s.words);
  const ofTopic = sum((s) => s.theirs.length + s.given.length + s.fromOthers);
  const weighty = sum((s) => s.theirs.length + s.given.length + s.added.length + s.stock);
  const tied = (s: MeasuredSentence | undefined) =>
    s !== undefined && s.theirs.length + s.given.length + s.copied > 0;
  const contrasts = sentences.filter((s) => s.signs.contrast && s.copied < s.words / 2).length;
  return {
    argued: share(sentences, (s) => s.argues) + share(sentences, (s) => s.joins && !s.argues) / 2,
    addressed: share(sentences, speaksToThem) + share(sentences, (s) => !speaksToThem(s) && s.taken > 0) / 2,
    topical: Math.min(TOPICAL_MOST, ofTopic / Math.max(1, weighty)),
    adrift:
      sentences.reduce((n, s, i) => n + (tied(s) || tied(sentences[i - 1]) ? 0 : s.words), 0) /
      Math.max(1, words),
    idle: share(sentences, (s) => s.signs.praise || s.signs.agree),
    ownPost: share(sentences, (s) => s.signs.ownPost),
    reported: share(sentences, (s) => s.signs.report && s.copied < s.words / 2),
    retold: Math.max(0, retold.reduce((n, c) => n + c.words, 0) / Math.max(1, words) - TAKING_UP),
    // A stock word in twenty is a text that is nothing else.
    stock: Math.min(1, (20 * sum((s) => s.stock)) / Math.max(8, words)),
    weighed: contrasts / (contrasts + 1.5),
  };
}

/**
 * Judges a reply against what it answers; `read` is {@link readAnswered} of it, made once for a post.
 * @example judgeRead('', read) // { score: 0, verdict: 'thin', words: 0, facets: [], measures: null }
 */
export function judgeRead(reply: string, read: ReadAnswered): Judgement {
  const measured = measure(reply, read);
  if (measured.words === 0) return { score: 0, verdict: 'thin', words: 0, facets: [], measures: null };
  const measures = measuresOf(measured);
  const sum = (Object.keys(WEIGHTS) as (keyof typeof WEIGHTS)[]).reduce(
    (n, name) => n + WEIGHTS[name] * measures[name],
    BIAS,
  );
  const score = 1 / (1 + Math.exp(-sum));
  const facets = facetsOf(reply, measured, measures, read);
  const verdict = isSure(score, facets) ? 'substantive' : score >= FAIR ? 'fair' : 'thin';
  return { score, verdict, words: measured.words, facets, measures };
}

/**
 * Whether a reply says something: a score, a verdict, and what it rests on. It advises its writer and nobody else.
 *
 * @example judge('Great post, I agree!', answered).verdict // 'thin'
 */
export const judge = (reply: string, answered: Answered): Judgement =>
  judgeRead(reply, readAnswered(answered));
