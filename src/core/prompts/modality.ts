import { clauseAt } from './outline';
import { type Sentence } from './outline/types';
import { ELSEWHERE, MAY, MAY_BE, OPTIONAL } from './vocabulary';
import { latin } from './pattern';

/** The stretch of a sentence between commas and stronger breaks that a place lies in. */
function phraseSpan(text: string, at: number): { start: number; end: number } {
  const clause = clauseAt(text, at);
  let { start } = clause;
  let { end } = clause;
  for (const m of text
    .slice(clause.start, clause.end)
    .matchAll(/,\s|\sand\s(?=(?:you|we|it|they|must|should|can|may)\s)/gu)) {
    const place = clause.start + m.index;
    if (place < at) start = place + m[0].length;
    else {
      end = place;
      break;
    }
  }
  return { start, end };
}
const phraseAt = (text: string, at: number) => {
  const { start, end } = phraseSpan(text, at);
  return text.slice(start, end).replace(/(?<![\p{L}])instead of [^,.;]*/giu, '');
};

const NEGATED_DEMAND = latin(
  /(?<![\p{L}])(?:do not|don['’]t|no|not|never|without|nothing)(?![\p{L}])(?! (?:be )?(?:more|less|fewer|longer|shorter|later|than|under|over|exceed|only|just))/iu,
);
const AFTER_PAREN = /\((?:optional|voluntary|if you (?:like|want|wish|have one))[^)]*\)/iu;

/**
 * Whether a sentence says what was, or is to be, elsewhere: of other weeks, other work, or what is usual.
 * @example "Last week you wrote 300 words." says what was elsewhere
 */
export const isElsewhere = (s: Sentence, at: number): boolean => {
  const clause = clauseAt(s.text, at);
  // What stands in brackets is said of what stands around them.
  const said =
    s.text[clause.start - 1] === '('
      ? (s.text.split(/[;—]/u).find((part) => part.includes(s.text.slice(clause.start, clause.end))) ?? '')
      : s.text.slice(clause.start, clause.end);
  const [past, other, information] = ELSEWHERE;
  return past.test(said) || other.test(said) || information.test(phraseAt(s.text, at));
};

/** "so that we can find it", "as much as you can": what follows from a demand takes nothing from it. */
const PURPOSE = latin(
  /(?<![\p{L}])(?:so(?: that)?|in order that|which|that|whoever|who) (?:[\p{L}’'-]+ ){0,4}?(?:can|could|may|might)(?![\p{L}])|(?:as|if|where|when(?:ever)?) (?:\p{L}+ ){0,3}?you can(?![\p{L}])|(?<![\p{L}])(?:no|nor|neither|never|none) (?:[\p{L}’'-]+ ){0,3}(?:may|can|could|might)(?![\p{L}])/giu,
);

/**
 * Whether what stands at a place of a sentence is asked for: not only allowed, advised, denied or told of elsewhere. A `limit` binds where it is allowed, too.
 * @example in "You may add a picture." the picture is not asked for
 */
export function isAsked(s: Sentence, at: number, limit = false): boolean {
  if (s.section.topic === 'context' || s.section.topic === 'avoid') return false;
  if (s.question !== null && /^(?:no|none|absolutely not|not at all|never)(?![\p{L}])/iu.test(s.text))
    return false;
  // A question of a sheet is asked by its reader; what is asked for stands in the answer.
  if (s.heading && /\?\s*$/u.test(s.text)) return false;
  if (isElsewhere(s, at) || AFTER_PAREN.test(s.text)) return false;
  if (OPTIONAL.test(phraseAt(s.text, at).replace(PURPOSE, ''))) return false;
  // "You may write up to 300 words" sets a limit, and is no offer.
  if (limit) return true;
  const phrase = phraseSpan(s.text, at);
  return (
    !MAY.test(s.text.slice(phrase.start, at).replace(PURPOSE, '')) &&
    !MAY_BE.test(s.text.slice(at, phrase.end).replace(PURPOSE, ''))
  );
}

/**
 * Whether a thing stands by itself as something to bring: at the head of a list item or a row, of a sentence without a
 * verb ("One photo, 100 words at least."), or in an enumeration of what is wanted.
 *
 * @example "- One photo" names a photo as something to bring
 */
export function standsAlone(s: Sentence, at: number, end: number): boolean {
  const clause = clauseAt(s.text, at);
  const before = s.text.slice(clause.start, at);
  const after = s.text.slice(end, clause.end);
  const opens =
    before.trim() === '' &&
    /^\s*(?:$|[,.:;|]|and(?![\p{L}])|of(?![\p{L}])|for(?![\p{L}])|to(?![\p{L}])|at (?:the|its) |from(?![\p{L}])|in(?![\p{L}])|on(?![\p{L}])|with(?![\p{L}]))/iu.test(
      after,
    );
  // "Two recordings are in the folder" tells of them.
  if (/(?<![a-z])(?:is|are|was|were)(?![a-z])/iu.test(after)) return false;
  if (opens && (s.marker !== null || s.row !== null || after.split(/\s+/u).length < 9)) return true;
  if (s.row !== null && /(?:^|[|\t,;])\s*$/u.test(before)) return true;
  return (
    /(?:^|,|\sand|;|:|\d\sfor)\s*$/u.test(before) &&
    /(?<![\p{L}])(?:need|want|looking for|expect|ask(?:ing)? for|requires?|consists?|made up of|contains?|points? for|\d for)(?![\p{L}])/iu.test(
      s.text.slice(0, at),
    )
  );
}

/**
 * Whether a thing named at a place is ruled out there: "no citations", "attach nothing".
 * @example in "No citations." citations are ruled out
 */
export const isRuledOut = (s: Sentence, at: number): boolean =>
  NEGATED_DEMAND.test(s.text.slice(phraseSpan(s.text, at).start, at));
