import type { CheckId } from '../brief/brief';
import type { CheckInput, CheckKind, Draft, Found, Need } from './check-kind';
import { concepts } from './kinds/concepts';
import { example } from './kinds/example';
import { greeting } from './kinds/greeting';
import { media } from './kinds/media';
import { paragraphs } from './kinds/paragraphs';
import { partsAnswered } from './kinds/parts';
import { question } from './kinds/question';
import { quotes } from './kinds/quotes';
import { sentenceCount } from './kinds/sentences';
import { sourceCount } from './kinds/sources';
import { title } from './kinds/title';
import { wordCount } from './kinds/words';
import { ownSentences, type OwnSentence } from './own-sentences';
import { mediaOf } from './media';
import { passages } from './passages';
import type { Check, Missing, Remark } from './types';

/** What a brief can ask of a text, in the order in which a reader meets it. */
const KINDS: readonly CheckKind[] = [
  wordCount,
  paragraphs,
  sentenceCount,
  partsAnswered,
  quotes,
  concepts,
  sourceCount,
  question,
  example,
  media,
  greeting,
  title,
];

const gap = (have: number, need: Need): Missing | null =>
  have < (need.min ?? 0)
    ? { code: 'too-few', by: (need.min ?? 0) - have }
    : have > (need.max ?? Infinity)
      ? { code: 'too-many', by: have - (need.max ?? Infinity) }
      : null;

/** What the words have to have: asked for no more where something stands in their place. */
const OF_THE_WORDS: readonly CheckId[] = ['words', 'paragraphs', 'sentences', 'parts'];

/** What a response carries that its brief takes in the place of the words. */
function inPlaceOfWords({ input, all }: Draft): Remark[] {
  const instead = input.kind === 'response' ? (input.brief.response.instead ?? []) : [];
  if (instead.length === 0) return [];
  const carried = mediaOf(input.doc, all);
  const kind = instead.find((k) => carried.has(k));
  return kind ? [{ code: 'in-place-of-words', kind }] : [];
}

function judge(id: CheckId, found: Found, required: boolean, instead: Remark[]): Check {
  const { have, need, evidence } = found;
  const stands = OF_THE_WORDS.includes(id) ? instead : [];
  const remarks = [...(found.remarks ?? []), ...stands];
  const missing = stands.length ? null : (found.missing ?? gap(have, need));
  const met = missing === null;
  return {
    id,
    have,
    need,
    met,
    required,
    evidence,
    missing,
    ...(remarks.length ? { remarks } : {}),
    ...(met && found.unsure ? { unsure: true } : {}),
  };
}

function read(input: CheckInput): Draft {
  const rules = input.kind === 'response' ? input.brief.response : input.brief.replies;
  const parts = input.kind === 'response' ? input.brief.parts : [];
  const all = passages(input.doc, parts, rules.countQuoted, input.given);
  let own: OwnSentence[] | null = null;
  return { input, rules, parts, all, sentences: () => (own ??= ownSentences(all)) };
}

/**
 * Checks a draft against its brief: one result for each thing the brief asks, in the order a reader meets them. The
 * browser runs this while the student writes and the server runs it again when the post is shared.
 *
 * @example a brief that asks for 250 words and a draft of 138 gives
 *   `{ id: 'words', have: 138, need: { min: 250 }, met: false, missing: { code: 'too-few', by: 112 } }`
 */
export function runChecks(input: CheckInput): Check[] {
  const draft = read(input);
  const instead = inPlaceOfWords(draft);
  return KINDS.flatMap(({ id, find }) => {
    const found = find(draft);
    return found ? [judge(id, found, !draft.rules.advised.includes(id), instead)] : [];
  });
}

/**
 * The required checks a draft does not meet: what makes a shared post short (rule 5).
 * @example unmetRequired([{ id: 'words', required: true, met: false, … }]) // ['words']
 */
export const unmetRequired = (checks: Check[]): CheckId[] =>
  checks.filter((c) => c.required && !c.met).map((c) => c.id);
