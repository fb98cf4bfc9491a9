import { remember } from '../memo';
import { roughSentences } from '../text/sentences';
import { stemsOf, termsOf } from '../text/terms';

export type Content = {
  /** Each stem with a word it stands as. */
  words: ReadonlyMap<string, string>;
  /** The sentences that ask something. */
  asks: readonly string[];
};

/** What a response is about, remembered: it is compared with every other. */
export const contentOf = remember(
  (text: string): Content => ({
    words: new Map(termsOf(text).map((t) => [t.stem, text.slice(t.start, t.end)])),
    asks: roughSentences(text).filter((s) => /\?["”’)\]]*$/u.test(s)),
  }),
  4_000,
);

/** What everybody has from the prompt tells nobody apart. */
export const promptStems = remember((prompt: string) => stemsOf(prompt), 200);

/**
 * A question to the class: one that speaks to somebody, and that the prompt does not ask itself.
 *
 * @example "Has anybody seen it flood?" is one; the prompt's own question is none
 */
export function questionToClass(content: Content, prompt: ReadonlySet<string>): string | null {
  const own = content.asks.filter((q) => {
    const stems = [...stemsOf(q)];
    return stems.filter((s) => prompt.has(s)).length < stems.length || stems.length === 0;
  });
  return (
    own.find((q) => /\b(?:you|your|anyone|anybody|somebody|someone|who else|does any|has any)\b/iu.test(q)) ??
    null
  );
}

export type Likeness = { share: number; words: string[] };

const SHOWN = 3;

/**
 * How alike two responses are by the words they share that few of the class use (cosine of weights by rarity), and which
 * those are, the rarest first. `rarity` says how much a stem tells.
 *
 * @example two responses that share no rare word: `{ share: 0, words: [] }`
 */
export function likeness(a: Content, b: Content, rarity: (stem: string) => number): Likeness {
  const size = (c: Content) => Math.sqrt([...c.words.keys()].reduce((n, s) => n + rarity(s) ** 2, 0));
  const both = [...a.words.keys()].filter((s) => b.words.has(s) && rarity(s) > 0);
  const shared = both.reduce((n, s) => n + rarity(s) ** 2, 0);
  const whole = size(a) * size(b);
  return {
    share: whole > 0 ? shared / whole : 0,
    words: both
      .sort((x, y) => rarity(y) - rarity(x))
      .slice(0, SHOWN)
      .map((s) => b.words.get(s) ?? s),
  };
}
