import type { Addresses } from '../address';
import type { Finding } from '../findings';
import type { Outline } from '../outline/types';
import { momentsOf } from '../times';
import { amountsIn, sumsIn, termsIn } from './amounts';
import { overlaps } from './around';
import { inlineIn, itemsFrom } from './lists';
import { momentsIn } from './moments';
import { quotedIn } from './quoted';
import { saidIn } from './said';
import { tokensOf } from './tokens';
import type { Candidates, Context } from './types';

/** So many sentences of a text are looked at, twenty pages of them; further on the grammar alone is heard. */
const MOST_SENTENCES = 1_200;

/**
 * Everything in a text that may be a requirement. `ruled` is what the grammar read, which is one voice among the features;
 * null where it is to be left out.
 *
 * @example candidatesOf(outlineOf('Write 250 words.'), addresses, []).amounts.length // 1
 */
export function candidatesOf(
  outline: Outline,
  addresses: Addresses,
  ruled: readonly Finding[] | null,
): Candidates {
  const sentences = outline.sentences.slice(0, MOST_SENTENCES);
  const contexts = sentences.map((sentence): Context => ({
    sentence,
    tokens: tokensOf(sentence.text),
    addresses,
    total: sentences.length,
    whole: outline.text,
    all: sentences,
    parts: Number(ruled?.find((f) => f.fact === 'response.parts')?.value ?? 0) || null,
    ruled:
      ruled
        ?.filter((f) => overlaps(f, sentence))
        .map((f) => ({ ...f, start: f.start - sentence.start, end: f.end - sentence.start })) ?? null,
  }));
  const counts = contexts.map((c) => momentsOf(c.sentence.text).length);
  const all = counts.reduce((a, b) => a + b, 0);
  let before = 0;
  const times = contexts.flatMap((c, i) => {
    const here = momentsIn(c, before, all);
    before += counts[i] ?? 0;
    return here;
  });
  return {
    until: sentences[sentences.length - 1]?.end ?? 0,
    amounts: contexts.flatMap((c) => {
      const amounts = amountsIn(c);
      return [...amounts, ...sumsIn(c, amounts), ...termsIn(c), ...inlineIn(c), ...itemsFrom(c)];
    }),
    times,
    quoted: contexts.flatMap(quotedIn),
    said: contexts.filter((c) => c.tokens.length > 1).map(saidIn),
  };
}
