import type { FacetKind } from '@/core/substance/facets';
import type { Doing, Substance } from '@/core/substance/on-document';
import { list } from './plural';

/** Of fewer words nothing is said yet. */
export const FEW_WORDS = 8;

/** What a reply does, as it stands on the sign; `name` is the classmate's. */
export function doingName(kind: FacetKind, name: string): string {
  const names: Record<FacetKind, string> = {
    point: `A point of ${name}’s`,
    adds: 'New',
    reason: 'Reason',
    evidence: 'Evidence',
    example: 'Example',
    counter: 'Weighs it',
    correction: 'Correction',
    idea: 'Course idea',
    question: `Asks ${name}`,
    quoted: 'Quotes',
    praise: 'Praise',
    agreement: 'Bare agreement',
    restating: 'Says the post again',
    copied: 'Mostly copied',
    padding: 'Fits anything',
    'own-post': 'About your own post',
    'off-topic': 'Leaves the topic',
    'talking-past': `Talks past ${name}`,
    'vague-question': 'Question for anybody',
  };
  return names[kind];
}

/** The sentence behind a sign. `said` is the classmate's sentence it is about, where there is one. */
export function doingSentence(doing: Doing, name: string, said: string | null): string {
  switch (doing.kind) {
    case 'point':
      return said ? `It takes up this of ${name}’s: “${said}”` : `It takes up something ${name} wrote.`;
    case 'adds':
      return `Neither ${name} nor the prompt says ${list(
        (doing.words ?? []).map((w) => `“${w}”`),
        'or',
      )}.`;
    case 'reason':
      return 'Marked in the text: where it says why, or what follows.';
    case 'evidence':
      return 'Marked: a source, a figure or something measured.';
    case 'example':
      return 'Marked: something seen or lived that bears on it.';
    case 'counter':
      return `Marked: where it goes against ${name}’s point, beside it, or says how far it holds.`;
    case 'correction':
      return 'Marked: where it puts something right.';
    case 'idea':
      return 'Marked: ideas of the course, used about this post.';
    case 'question':
      return `Marked: a question that only ${name}’s post calls for.`;
    case 'quoted':
      return 'Marked: words of the post. The rest is yours.';
    case 'praise':
      return 'Kind, and it could stand under any post. Say what of it is good, and what follows from it.';
    case 'agreement':
      return 'Agreeing alone leaves the discussion where it is. Say why, or what would make you change your mind.';
    case 'restating':
      return `Marked: what ${name} knows already, having written it. One point is enough to answer.`;
    case 'copied':
      return 'More than a third are the words of the post. Take one sentence of it and say what you make of it.';
    case 'padding':
      return 'Marked: sentences that nobody could object to. They could stand in any discussion.';
    case 'own-post':
      return `Marked: what is about your own post. ${name}’s is the one you answer.`;
    case 'off-topic':
      return 'Marked: what touches neither the post nor the prompt. Say what it has to do with it, or leave it out.';
    case 'talking-past':
      return `It speaks of the prompt, and not of what ${name} wrote. Take up one sentence of the post.`;
    case 'vague-question':
      return `Marked: a question that could be asked of anybody. Put a word of ${name}’s into it.`;
  }
}

/** What is said of a reply at a glance: praise only where it is sure, else what it has so far. */
export function verdictText({ verdict, repeats, doing }: Substance, name: string): string {
  if (repeats) return `Nearly the same as your reply to ${repeats}`;
  if (verdict === 'substantive') return 'Moves the discussion on';
  const has = doing.filter((d) => d.weighs === 'for').map((d) => HAS[d.kind]?.(name));
  const said = has.filter((words) => words !== undefined);
  return verdict === 'thin' || said.length === 0 ? 'Says little of its own yet' : `So far: ${list(said)}`;
}

const HAS: Partial<Record<FacetKind, (name: string) => string>> = {
  point: (name) => `takes up a point of ${name}’s`,
  reason: () => 'a reason',
  evidence: () => 'evidence',
  example: () => 'an example',
  counter: () => 'something weighed',
  correction: () => 'a correction',
  question: () => 'a question',
};

/** What would help most, where something is missing. */
export function nextStep({ verdict, doing, repeats }: Substance, name: string): string | null {
  if (repeats)
    return `${name} wrote something else: take up one sentence of this post. Staff see when one text answers several.`;
  if (verdict === 'substantive') return null;
  const has = (kind: FacetKind) => doing.some((d) => d.kind === kind);
  if (!has('point')) return `Missing: one thing that ${name} wrote. Quote it, or name it in your words.`;
  if (!has('reason') && !has('counter') && !has('question'))
    return 'Missing: what follows from it. A reason, a doubt, a case that does not fit, or a question.';
  if (!has('adds') && !has('example') && !has('evidence'))
    return 'Missing: something of your own. What you have seen, read or can work out.';
  return `Keep to ${name}’s point: let more of the sentences say something about it.`;
}
