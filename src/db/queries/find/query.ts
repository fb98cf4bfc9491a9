import { HIT_END, HIT_START } from '@/core/find/passage';

/** A search as PostgreSQL takes it: a tsquery in text form, made by the functions below. */
export type Query = { sql: string; bindings: string[] };

/**
 * Words as people type them (phrases in quotation marks, "or", "-not"), and the last word also as the beginning of one,
 * for it may not be finished yet.
 */
export function typedQuery(text: string, lastWord: string | null): Query {
  const whole = `websearch_to_tsquery('english', ?)`;
  if (lastWord === null) return { sql: whole, bindings: [text] };
  const before = text.slice(0, text.length - lastWord.length).trim();
  // Not stemmed: the stem of a whole word may be the beginning of quite another.
  const begun = `to_tsquery('simple', lower(?) || ':*')`;
  return before
    ? { sql: `(${whole} || (${whole} && ${begun}))`, bindings: [text, before, lastWord] }
    : { sql: `(${whole} || ${begun})`, bindings: [text, lastWord] };
}

/** All of the words, each as any of its neighbours. The neighbours come out of the vocabulary: letters only. */
export const nearQuery = (groups: string[][]): Query => ({
  sql: `to_tsquery('english', ?)`,
  bindings: [groups.map((g) => `(${g.join(' | ')})`).join(' & ')],
});

/** How a passage around a hit is cut out. */
export const HEADLINE = `StartSel=${HIT_START}, StopSel=${HIT_END}, MaxWords=22, MinWords=10, MaxFragments=1, FragmentDelimiter=…`;

/** A text as it stands for itself in a `like`. */
export const likeText = (text: string) => text.replace(/[\\%_]/gu, '\\$&');
