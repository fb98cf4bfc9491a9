import type { Brief, WritingRules } from '@/core/brief/brief';
import { mediaText } from './checks';
import { list, plural } from './plural';

const range = (r: { min?: number; max?: number }, unit: string) =>
  r.min !== undefined && r.max !== undefined
    ? `${r.min} to ${r.max} ${unit}s`
    : r.max !== undefined
      ? `at most ${plural(r.max, unit)}`
      : `at least ${plural(r.min ?? 0, unit)}`;

function writing(rules: WritingRules, mine: 'response' | 'reply'): { required: string[]; advised: string[] } {
  const required: string[] = [];
  const advised: string[] = [];
  const add = (id: WritingRules['advised'][number], text: string) =>
    (rules.advised.includes(id) ? advised : required).push(text);
  if (rules.words) add('words', range(rules.words, mine === 'reply' ? 'word' : 'own word'));
  if (rules.paragraphs) add('paragraphs', range(rules.paragraphs, 'paragraph'));
  if (rules.sentences) add('sentences', range(rules.sentences, 'sentence'));
  if (rules.concepts) add('concepts', plural(rules.concepts.min, 'course idea'));
  if (rules.sources) add('sources', plural(rules.sources.min, 'source'));
  if (rules.quotes)
    add(
      'quotes',
      mine === 'reply' ? 'a quotation from the classmate' : plural(rules.quotes.min, 'quotation'),
    );
  if (rules.question) add('question', 'a question');
  for (const m of rules.media ?? []) add('media', mediaText(m.kind, m.min));
  if (rules.example) add('example', plural(rules.example.min, 'example'));
  return { required, advised };
}

/** What the brief wants of a response, as a list of short phrases. */
export function responseRules(brief: Brief): { required: string[]; advised: string[] } {
  const out = writing(brief.response, 'response');
  const { title, topic, instead } = brief.response;
  if (instead?.length)
    out.required.push(
      `or, in place of the words, ${list(
        instead.map((kind) => mediaText(kind, 1)),
        'or',
      )}`,
    );
  if (topic) out.required.unshift('a topic of your own, named in the title');
  if (brief.parts.length === 1) out.required.unshift('an answer to the question');
  else if (brief.parts.length) out.required.unshift(`answers to all ${brief.parts.length} questions`);
  if (title && !topic) {
    (brief.response.advised.includes('title') ? out.advised : out.required).push(
      typeof title === 'string' ? `the title “${title}”` : 'a title',
    );
  }
  return out;
}

export function replyRules(brief: Brief): { required: string[]; advised: string[] } {
  const out = writing(brief.replies, 'reply');
  if (brief.replies.greetByName) {
    (brief.replies.advised.includes('greeting') ? out.advised : out.required).push('the classmate’s name');
  }
  return out;
}

/** "3 replies, to different classmates, on 2 different days" */
export function repliesAsked(brief: Brief): string {
  const { count, distinctPeers, distinctDays, staffCount, otherSide } = brief.replies;
  if (count === 0) return 'none asked for';
  return [
    plural(count, 'reply', 'replies'),
    ...(distinctPeers && count > 1 ? ['to different classmates'] : []),
    ...(distinctDays ? [`on ${distinctDays} different days`] : []),
    ...(otherSide ? ['to the other side'] : []),
    ...(staffCount ? ['staff count too'] : []),
  ].join(', ');
}
