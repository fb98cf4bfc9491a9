import type { LateRule } from '../deadlines/late';
import type { Field, Fields, OutsideRules } from './fields';

/** The fields that say what becomes of late work; empty where nobody has said. @example lateFields({ rule: 'refused' }) // { late: 'refused' } */
export function lateFields(late: LateRule): Fields {
  if (late.rule === 'refused') return { late: late.rule };
  if (late.rule === 'accepted' && late.unsaid) return {};
  const days = { late: late.rule, 'late.days': String(late.days) };
  return late.rule === 'penalty' ? { ...days, 'late.percent': String(late.percentPerDay) } : days;
}

/**
 * The fields that say what a prompt's rules are: the way back.
 * @example fieldsOfRules(rules)['zone'] // the zone of the course, as it was chosen
 */
export function fieldsOfRules(rules: OutsideRules): Fields {
  const { brief, late } = rules;
  const fields: Fields = {
    title: rules.title,
    course: rules.course,
    zone: rules.zone,
    responseDue: rules.responseDue,
    repliesDue: rules.repliesDue,
    late: '',
    ...lateFields(late),
    parts: brief.parts.map((p) => p.text).join('\n'),
    concepts: brief.concepts.map((c) => [c.term, ...c.aliases].join(' / ')).join('\n'),
  };
  const put = (field: Field, value: number | string | boolean | null | undefined) => {
    if (value !== undefined && value !== null && value !== false)
      fields[field] = value === true ? 'on' : String(value);
  };
  put('week', rules.week);
  put('points', brief.points);
  put('sealed', brief.sealed);
  put('sealOpensWithAny', brief.sealOpensWithAny);
  put('grouped', brief.grouped);
  put('leader.replies', brief.leader?.replies);
  put('sides.first', brief.sides?.[0]);
  put('sides.second', brief.sides?.[1]);
  for (const side of ['response', 'replies'] as const) {
    const r = brief[side];
    put(`${side}.words.min`, r.words?.min);
    put(`${side}.words.max`, r.words?.max);
    put(`${side}.sentences.min`, r.sentences?.min);
    put(`${side}.sources.min`, r.sources?.min);
    put(`${side}.quotes.min`, r.quotes?.min);
    put(`${side}.question.min`, r.question?.min);
  }
  put('response.paragraphs.min', brief.response.paragraphs?.min);
  put('response.paragraphs.max', brief.response.paragraphs?.max);
  put('response.concepts.min', brief.response.concepts?.min);
  put('response.title', typeof brief.response.title === 'string' ? brief.response.title : undefined);
  put('response.titled', brief.response.title === true && !brief.response.topic);
  put('response.topic', brief.response.topic);
  put('response.unasked', brief.response.asked === false);
  put('response.example', brief.response.example !== undefined);
  for (const { kind, min } of brief.response.media ?? []) put(`response.media.${kind}`, min);
  for (const kind of brief.response.instead ?? []) put(`response.instead.${kind}`, true);
  put('replies.staffCount', brief.replies.staffCount);
  put('replies.otherSide', brief.replies.otherSide);
  put('replies.count', brief.replies.count);
  put('replies.distinctPeers', brief.replies.distinctPeers);
  put('replies.distinctDays', brief.replies.distinctDays);
  put('replies.greetByName', brief.replies.greetByName);
  return fields;
}
