import type { Span } from '../text/quotations';
import type { ReadAnswered } from './answered';
import type { Measured, MeasuredSentence } from './measure';

/** What speaks for a reply: it moves the discussion on. */
export const FOR = [
  'point',
  'adds',
  'reason',
  'evidence',
  'example',
  'counter',
  'correction',
  'idea',
  'question',
  'quoted',
] as const;
/** What weighs against it: it could stand under any post, or says what the post says. */
export const AGAINST = [
  'praise',
  'agreement',
  'restating',
  'copied',
  'padding',
  'own-post',
  'off-topic',
  'talking-past',
  'vague-question',
] as const;

export type FacetKind = (typeof FOR)[number] | (typeof AGAINST)[number];

/** Something a reply does. `spans` are UTF-16 offsets into the reply. */
export type Facet = {
  kind: FacetKind;
  weighs: 'for' | 'against';
  spans: Span[];
  /** Of `point`: the sentence of the classmate's post, as offsets into it. */
  of?: Span;
  /** Of `adds`: what neither the post nor the prompt says. */
  words?: string[];
};

/** What is there or is not, whatever the reply is worth. */
const PLAIN = new Set<FacetKind>(['point', 'adds', 'quoted', 'copied', 'praise']);
/** As likely to be substantive as not. */
const EVEN = 0.5;

/**
 * What is told of what a reply does: a reason found in what is likely to say nothing, or a retelling in what is likely to say
 * something, is more often misread than true.
 *
 * @example told([{ kind: 'reason', weighs: 'for', spans: [] }], 0.2) // []
 */
export const told = <F extends Pick<Facet, 'kind' | 'weighs'>>(facets: readonly F[], score: number): F[] =>
  facets.filter((f) => PLAIN.has(f.kind) || (f.weighs === 'for') === score >= EVEN);

const MOST_WORDS = 6;

/** The sentence of the post that a sentence of the reply has most in common with. */
function pointOf(s: MeasuredSentence, read: ReadAnswered): Span | undefined {
  const mine = new Set(s.theirs.map((t) => t.stem));
  let best: Span | undefined;
  let most = 0;
  for (const { start, end, stems } of read.sentences) {
    const hits = [...mine].filter((stem) => stems.has(stem)).length;
    if (hits > most) [best, most] = [{ start, end }, hits];
  }
  return best;
}

type Shares = { topical: number; adrift: number; addressed: number; argued: number; retold: number };

/**
 * What a reply does, with where: first what speaks for it, then what weighs against it.
 * @example "I agree, great post!" gives facets that weigh against it only
 */
export function facetsOf(
  reply: string,
  { words, sentences, copied, retold }: Measured,
  shares: Shares,
  read: ReadAnswered,
): Facet[] {
  const span = ({ start, end }: Span): Span => ({ start, end });
  const found: Facet[] = [];
  const add = (kind: FacetKind, spans: readonly Span[], more: Partial<Facet> = {}) => {
    const weighs = (FOR as readonly string[]).includes(kind) ? ('for' as const) : ('against' as const);
    if (spans.length) found.push({ kind, weighs, spans: spans.map(span), ...more });
  };
  const arguing = sentences.filter((s) => s.argues);
  const taking = arguing
    .filter((s) => s.theirs.length > 0)
    .sort((a, b) => b.theirs.length - a.theirs.length)[0];
  const of = taking && pointOf(taking, read);
  if (taking && of) add('point', [taking], { of });
  const added = [...new Map(arguing.flatMap((s) => s.added).map((t) => [t.stem, t])).values()];
  const shown = added.slice(0, MOST_WORDS);
  add('adds', shown, { words: shown.map((t) => reply.slice(t.start, t.end)) });
  const argued = (is: (s: MeasuredSentence) => boolean) => arguing.filter(is);
  add(
    'reason',
    argued((s) => s.signs.reason && !s.signs.asks),
  );
  add(
    'evidence',
    sentences.filter((s) => s.signs.evidence && s.added.length > 1 && !s.idle),
  );
  add(
    'example',
    sentences.filter((s) => s.signs.example && s.added.length > 1 && !s.idle && !s.signs.ownPost),
  );
  add(
    'counter',
    argued((s) => s.signs.contrast && !s.signs.correction),
  );
  add(
    'correction',
    argued((s) => s.signs.correction),
  );
  add(
    'idea',
    arguing.flatMap((s) => s.ideas),
  );
  add(
    'question',
    argued((s) => s.signs.asks),
  );
  const copiedWords = sentences.reduce((n, s) => n + s.copied, 0);
  if (copied.length) add(copiedWords > words / 3 ? 'copied' : 'quoted', copied);
  add(
    'praise',
    sentences.filter((s) => s.signs.praise && s.idle),
  );
  add(
    'agreement',
    sentences.filter((s) => s.signs.agree && s.idle),
  );
  if (shares.retold > 0) add('restating', retold);
  else
    add(
      'restating',
      sentences.length > 2 && arguing.length === 0 ? sentences.filter((s) => s.signs.report) : [],
    );
  add(
    'padding',
    sentences.filter((s) => s.stock > 1 && !s.argues),
  );
  add(
    'own-post',
    sentences.filter((s) => s.signs.ownPost && s.idle),
  );
  add(
    'vague-question',
    sentences.filter((s) => s.signs.asks && s.theirs.length === 0 && !s.argues),
  );
  const stray = sentences.filter((s) => s.theirs.length + s.given.length === 0 && !s.idle && !s.signs.second);
  if (shares.topical < 0.2 && shares.adrift > 0.3) add('off-topic', stray);
  else if (shares.addressed < 0.25 && shares.argued < 0.4) add('talking-past', sentences);
  // Whoever is told that it is thin is told why.
  if (found.length === 0) add('talking-past', sentences);
  return found;
}
