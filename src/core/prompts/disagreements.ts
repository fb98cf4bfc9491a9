import type { Brief } from '../brief/brief';
import type { LateRule } from '../deadlines/late';
import { weekdayOf, type WallClock } from '../deadlines/wallclock';
import type { Finding } from './findings';

/** A place where a prompt's text says other than the brief that was confirmed for it. */
export type Disagreement = {
  fact: string;
  text: Finding['value'];
  /** What the brief says; null where it asks for nothing of the kind. */
  brief: Finding['value'] | null;
  /** Which of the two asks for more, and so is safe to keep to. */
  stricter: 'text' | 'brief';
};

export type Confirmed = { brief: Brief; late: LateRule; responseDue: WallClock; repliesDue: WallClock };

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const LATE = ['accepted', 'penalty', 'refused'];
/** What a brief can say; the rest of what is read (examples from one's life, dates of a year) it has no field for. */
const COUNTED = ['words', 'sentences', 'paragraphs', 'sources', 'quotes', 'concepts', 'question'] as const;

/** What a confirmed brief says of a fact; undefined where it has no field for it. */
function confirmedValue(fact: string, c: Confirmed): Finding['value'] | null | undefined {
  const [side, field = '', bound] = fact.split('.');
  const { brief } = c;
  if (fact === 'late') return c.late.rule;
  if (fact === 'sealed') return brief.sealed || null;
  if (side === 'due') {
    const wall = field === 'response' ? c.responseDue : c.repliesDue;
    if (bound === 'weekday') return WEEKDAYS[weekdayOf(wall) - 1];
    return bound === 'date' ? wall.slice(5, 10) : wall.slice(11, 16);
  }
  if (fact === 'response.parts') return brief.parts.length || null;
  if (fact === 'response.title') return brief.response.title ?? null;
  if (fact === 'replies.count') return brief.replies.count;
  if (fact === 'replies.distinctPeers') return brief.replies.distinctPeers || null;
  if (fact === 'replies.distinctDays') return brief.replies.distinctDays ?? null;
  if (fact === 'replies.greetByName') return brief.replies.greetByName || null;
  const rules = side === 'replies' ? brief.replies : brief.response;
  if (field === 'media') {
    // What may stand in the place of the words is asked for of nobody, and said by both.
    if (side === 'response' && brief.response.instead?.some((kind) => kind === bound)) return undefined;
    return rules.media?.find((m) => m.kind === bound)?.min ?? null;
  }
  const known = COUNTED.find((k) => k === field);
  if (!known) return undefined;
  const rule: { min?: number; max?: number } | undefined = rules[known];
  return (bound === 'max' ? rule?.max : rule?.min) ?? null;
}

function isStricter(fact: string, text: Finding['value'], brief: Finding['value'] | null): boolean {
  if (brief === null) return true;
  if (fact === 'late') return LATE.indexOf(String(text)) > LATE.indexOf(String(brief));
  if (fact.endsWith('.weekday')) return WEEKDAYS.indexOf(String(text)) < WEEKDAYS.indexOf(String(brief));
  if (fact.startsWith('due.')) return String(text) < String(brief);
  if (typeof text === 'number' && typeof brief === 'number') {
    return fact.endsWith('.max') ? text < brief : text > brief;
  }
  return true;
}

/**
 * Where what is read in a prompt's text is not what its confirmed brief says. A text that is silent disagrees with
 * nothing, and neither does one that asks for what the brief asks for otherwise (a title, where it wants this title).
 *
 * @example the text was changed to "at least 300 words", the brief says 250: one disagreement, the text being stricter
 */
export function disagreements(facts: readonly Finding[], confirmed: Confirmed): Disagreement[] {
  return facts.flatMap(({ fact, value, confidence }): Disagreement[] => {
    // A guess is no ground for a warning.
    if (confidence < 0.7) return [];
    const brief = confirmedValue(fact, confirmed);
    if (brief === undefined || brief === value) return [];
    return [{ fact, text: value, brief, stricter: isStricter(fact, value, brief) ? 'text' : 'brief' }];
  });
}

/**
 * The brief with the stricter of the two wherever its numbers and the text's are not the same.
 * @example a brief of 200 words and a text of 250 give a brief of 250
 */
export function strictest(brief: Brief, found: readonly Disagreement[]): Brief {
  const out: Brief = { ...brief, response: { ...brief.response }, replies: { ...brief.replies } };
  for (const { fact, text, stricter } of found) {
    const [side, field, bound] = fact.split('.');
    if (stricter !== 'text') continue;
    if (fact === 'replies.count') out.replies.count = Number(text);
    else if (fact === 'replies.distinctPeers') out.replies.distinctPeers = true;
    else if (fact === 'replies.distinctDays') out.replies.distinctDays = Number(text);
    else if (fact === 'replies.greetByName') out.replies.greetByName = true;
    else if (fact === 'sealed') out.sealed = true;
    const known = COUNTED.find((k) => k === field);
    if (!known || (side !== 'response' && side !== 'replies') || typeof text !== 'number') continue;
    const rules: Partial<Record<(typeof COUNTED)[number], { min?: number; max?: number }>> = out[side];
    rules[known] = { ...rules[known], [bound === 'max' ? 'max' : 'min']: text };
  }
  return out;
}
