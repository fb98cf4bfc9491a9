import type { Outline, Sentence, Who } from './outline/types';
import { clauseAt } from './outline';
import { answersPrompt, ELSEWHERE, REPLY_MENTION, RESPONSE_NAME } from './vocabulary';
import { every, latin } from './pattern';

/* Whom a demand is for: the response or the replies. */

/** A place in a text that names the response or the replies. */
type Mention = {
  who: Who;
  start: number;
  end: number;
  /** A weak name, such as "the piece should", does not take a passage on replies over. */
  weak?: boolean;
  /** One in a clause of time that goes before ("Once your statement stands, …") speaks only up to its comma. */
  until?: number;
};

const REPLIES = every(REPLY_MENTION);
const RESPONSE = every(RESPONSE_NAME);
const FRONTED =
  /^\P{L}*(?:once|when|after|as soon as|having|before|as)(?![\p{L}])[^,;.:]{3,60},(?!\s*(?:and|or)\s)/iu;
/**
 * What some prompts call the replies: "ask a question under the post", and later "questions by Saturday". The noun counts only
 * where a day or deadline follows it.
 */
const OWN_NAME =
  /(?<![\p{L}])(question|challenge|tip|suggestion|verdict|vote|objection|counterexample|recommendation|correction|letter)s?(?![\p{L}])/giu;
const dated = (name: string) =>
  new RegExp(
    `(?<![\\p{L}])${name}s (?:are )?(?:due|by|before|until|on|close|go up|go in|count until)(?![\\p{L}])`,
    'giu',
  );

/** A step of a prompt in steps, or a run of them ("Steps 2 to 4"). */
const STEP = latin(/(?<![\p{L}])steps? (\d+)(?:(?:,| and|–|-| to) (\d+))?/giu);

function mentionsIn(text: string): Mention[] {
  const found: Mention[] = [];
  const fronted = FRONTED.exec(text)?.[0].length ?? 0;
  for (const m of text.matchAll(RESPONSE)) {
    const weak = /^(?:the|this|my|a|an) (?!\p{L}*(?:initial|original|main|first|opening))|^posts?$/iu.test(
      m[0],
    );
    const end = m.index + m[0].length;
    found.push({ who: 'response', start: m.index, end, weak, ...(end < fronted ? { until: fronted } : {}) });
  }
  for (const m of text.matchAll(REPLIES)) {
    const start = m.index;
    const end = start + m[0].length;
    // "Your response to two classmates" speaks of replies; "your response" alone does not.
    const over = found.findIndex((f) => f.start < end && start < f.end);
    // One responds to questions, a prompt or a reading by the response itself.
    if (answersPrompt(text.slice(start))) {
      if (over < 0) found.push({ who: 'response', start, end: start + m[0].length });
      continue;
    }
    if (over >= 0) {
      const other = found[over];
      if (other && m[0].length <= other.end - other.start) continue;
      found.splice(over, 1);
    }
    found.push({ who: 'replies', start, end });
  }
  return found.sort((a, b) => a.start - b.start);
}

export type Address = { who: Who; sure: boolean };
export type Addresses = (sentence: Sentence, at: number) => Address;

/**
 * Whom the place `at` of a sentence speaks to, for every sentence of an outline.
 * @example in "Reply to two classmates in 75 words each." every place speaks of replies
 */
export function addressesOf(outline: Outline): Addresses {
  const { sentences } = outline;
  const mentions = sentences.map((s) => mentionsIn(s.text));
  const names = new Set(
    sentences.flatMap((s, i) =>
      (mentions[i] ?? []).some((m) => m.who === 'replies')
        ? [...s.text.matchAll(OWN_NAME)].map((m) => (m[1] ?? '').toLowerCase())
        : [],
    ),
  );
  for (const name of names) {
    sentences.forEach((s, i) => {
      for (const m of s.text.matchAll(dated(name)))
        mentions[i]?.push({ who: 'replies', start: m.index, end: m.index + m[0].length });
      mentions[i]?.sort((a, b) => a.start - b.start);
    });
  }
  const steps = new Map<number, Who>();
  const carried: (Who | null)[] = [];
  sentences.forEach((s, i) => {
    const before = sentences[i - 1];
    const same = before?.paragraph === s.paragraph;
    const strong = (mentions[i] ?? []).filter((m) => !m.weak || s.section.who !== 'replies');
    const own = strong;
    const asked = s.question ? mentionsIn(s.question)[0]?.who : undefined;
    const base = asked ?? s.section.who ?? (same ? (carried[i - 1] ?? null) : null);
    // What was done elsewhere says nothing of whom the next sentence speaks to.
    const told = ELSEWHERE[0].test(s.text);
    carried.push((told ? undefined : own[own.length - 1]?.who) ?? base);
    if (s.marker?.kind === 'number') {
      const whole = own.some((m) => m.who === 'replies') ? 'replies' : 'response';
      if (steps.get(s.marker.n) !== 'replies') steps.set(s.marker.n, whole);
    }
  });
  return (sentence, at) => {
    const own = (mentions[sentence.index] ?? []).filter((m) => !m.weak || sentence.section.who !== 'replies');
    const named = [...sentence.text.matchAll(STEP)].flatMap((m): Mention[] => {
      const who = steps.get(Number(m[1]));
      return who ? [{ who, start: m.index, end: m.index + m[0].length }] : [];
    });
    const all = [...own, ...named].sort((a, b) => a.start - b.start);
    const clause = clauseAt(sentence.text, at);
    const inClause = all.filter((m) => m.start < clause.end && m.end > clause.start);
    const before = inClause.filter((m) => m.start <= at && (m.until === undefined || at < m.until));
    const after = inClause.find((m) => m.until === undefined || at < m.until);
    // A name that follows speaks for what stands before it, unless something else was begun in between.
    const begun = after
      ? /,? (?:and|then|plus|as well as) |, (?!(?:each|\p{L}+ly))/u.test(sentence.text.slice(at, after.start))
      : true;
    const fronted = /^\s*(?:in|with|using|within|under)(?![\p{L}])/iu.test(sentence.text.slice(clause.start));
    const near = before[before.length - 1] ?? (begun && !fronted ? undefined : after);
    if (near) return { who: near.who, sure: true };
    const earlier = all.filter((m) => m.end <= clause.start && m.until === undefined);
    const last = earlier[earlier.length - 1];
    if (last && !sentence.row) return { who: last.who, sure: true };
    if (sentence.question) {
      const asked = mentionsIn(sentence.question)[0];
      if (asked) return { who: asked.who, sure: true };
    }
    if (sentence.section.who) return { who: sentence.section.who, sure: true };
    const previous = sentences[sentence.index - 1];
    if (previous?.paragraph === sentence.paragraph) {
      const who = carried[sentence.index - 1];
      if (who) return { who, sure: false };
    }
    return { who: 'response', sure: false };
  };
}
