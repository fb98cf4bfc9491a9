import { briefSchema, type Brief } from '../brief/brief';
import { lateRuleSchema } from '../deadlines/late';
import { isTime, typedWall } from '../deadlines/typed';
import { instantOf, type WallClock } from '../deadlines/wallclock';
import { fail, ok, type Result } from '../result';
import {
  LONGEST,
  MOST_PARTS,
  NUMBERS,
  type Field,
  type FieldProblem,
  type Fields,
  type NumberField,
  type OutsideRules,
  type TickField,
  type TimeField,
} from './fields';

/** So long a post may still be noted as late where a prompt does not say what becomes of late work. */
const UNSAID_DAYS = 14;
const MEDIA = ['image', 'video', 'audio', 'link', 'file'] as const;
const INSTEAD = ['image', 'video', 'audio', 'file'] as const;

/** What of a brief the form has no field for: it stays what it was. */
const unasked = (brief: Brief | undefined) => ({
  response: brief && { advised: brief.response.advised, countQuoted: brief.response.countQuoted },
  replies: brief && {
    advised: brief.replies.advised,
    countQuoted: brief.replies.countQuoted,
    paragraphs: brief.replies.paragraphs,
    concepts: brief.replies.concepts,
    example: brief.replies.example,
    media: brief.replies.media,
  },
});

const linesOf = (text: string | undefined) =>
  (text ?? '')
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

const isZone = (zone: string) => {
  try {
    instantOf('2000-01-01T00:00', zone);
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
};

/**
 * Reads the fields of the form, or names every field that is wrong, with why. Nothing is dropped silently: what the form has no field
 * for is taken from `before`, the brief that is being changed.
 * @example a deadline that is no time gives `fields` with that field and why
 */
export function rulesOfFields(
  fields: Fields,
  before?: Brief,
): Result<OutsideRules, { code: 'fields'; problems: FieldProblem[] }> {
  const problems: FieldProblem[] = [];
  const said = (field: Field) => (fields[field] ?? '').trim();
  const number = (field: NumberField, least = 1): number | undefined => {
    const text = said(field);
    if (text === '') return undefined;
    const n = /^\d{1,6}$/u.test(text) ? Number(text) : NaN;
    if (n >= least && n <= NUMBERS[field]) return n;
    problems.push({ field, code: 'no-number', most: NUMBERS[field] });
    return undefined;
  };
  const atLeast = (field: NumberField) => {
    const min = number(field);
    return min === undefined ? undefined : { min };
  };
  const range = (side: 'response.words' | 'response.paragraphs' | 'replies.words') => {
    const min = number(`${side}.min`);
    const max = number(`${side}.max`);
    if (min !== undefined && max !== undefined && max < min)
      problems.push({ field: `${side}.max`, code: 'under-minimum' });
    return min === undefined && max === undefined
      ? undefined
      : { ...(min === undefined ? {} : { min }), ...(max === undefined ? {} : { max }) };
  };
  const tick = (field: TickField) => said(field) !== '';
  const time = (field: TimeField): WallClock => {
    const wall = typedWall(said(field)).slice(0, 16);
    if (wall === '') problems.push({ field, code: 'missing' });
    else if (!isTime(wall)) problems.push({ field, code: 'no-time' });
    return wall;
  };
  for (const field of ['title', 'course'] as const) {
    if (said(field) === '') problems.push({ field, code: 'missing' });
    else if (said(field).length > LONGEST[field]) problems.push({ field, code: 'too-long' });
  }
  const zone = said('zone');
  if (!isZone(zone)) problems.push({ field: 'zone', code: zone ? 'no-zone' : 'missing' });
  const count = number('replies.count', 0) ?? 0;
  const isUnasked = tick('response.unasked');
  if (isUnasked && count === 0) problems.push({ field: 'replies.count', code: 'nothing-asked' });
  // Where only one of the two is owed there is no second deadline to be asked for.
  const first = time(isUnasked && said('repliesDue') !== '' ? 'repliesDue' : 'responseDue');
  const repliesDue = count === 0 || said('repliesDue') === '' ? first : time('repliesDue');
  const responseDue = isUnasked ? repliesDue : first;
  if (isTime(responseDue) && isTime(repliesDue) && repliesDue < responseDue)
    problems.push({ field: 'repliesDue', code: 'before-response' });

  const parts = linesOf(fields.parts);
  if (parts.length > MOST_PARTS) problems.push({ field: 'parts', code: 'too-many' });
  const concepts = linesOf(fields.concepts).map((line) => {
    const [term = '', ...aliases] = line.split(/\s*[/;]\s*/u);
    return { term, aliases: aliases.filter(Boolean) };
  });
  const ideas = atLeast('response.concepts.min');
  const days = number('replies.distinctDays');
  if (days === 1) problems.push({ field: 'replies.distinctDays', code: 'one-day' });
  const weekText = said('week');
  const week = weekText === '' ? null : Number(weekText);
  if (week !== null && !(Number.isInteger(week) && week >= 1 && week <= 60))
    problems.push({ field: 'week', code: 'no-number', most: 60 });
  const rule = said('late');
  const lateDays = number('late.days') ?? 7;
  const percentPerDay = number('late.percent', 0) ?? 10;
  const title = said('response.title');
  const isTopic = tick('response.topic');
  const sides = [said('sides.first'), said('sides.second')];
  const oneSided = sides.findIndex((side) => side === '');
  const hasSides = oneSided === -1;
  if (!hasSides && (sides.some(Boolean) || tick('replies.otherSide')))
    problems.push({ field: oneSided === 0 ? 'sides.first' : 'sides.second', code: 'missing' });
  for (const [i, field] of (['sides.first', 'sides.second'] as const).entries())
    if ((sides[i] ?? '').length > LONGEST.course) problems.push({ field, code: 'too-long' });
  const leads = number('leader.replies', 0);
  const media = MEDIA.flatMap((kind) => {
    const min = number(`response.media.${kind}`);
    return min === undefined ? [] : [{ kind, min }];
  });
  const instead = INSTEAD.filter((kind) => tick(`response.instead.${kind}`));
  const kept = unasked(before);

  const brief: unknown = {
    parts: parts.slice(0, MOST_PARTS).map((text, i) => ({ id: String(i + 1), text })),
    concepts,
    response: {
      words: range('response.words'),
      paragraphs: range('response.paragraphs'),
      sentences: atLeast('response.sentences.min'),
      sources: atLeast('response.sources.min'),
      quotes: atLeast('response.quotes.min'),
      // Ideas that nobody named cannot be looked for.
      concepts: ideas && concepts.length ? { min: Math.min(ideas.min, concepts.length) } : undefined,
      question: atLeast('response.question.min'),
      // More than one is never asked for in the form, and stays where it was.
      example: tick('response.example') ? (before?.response.example ?? { min: 1 }) : undefined,
      media: media.length ? media : undefined,
      title: title || isTopic || tick('response.titled') || undefined,
      asked: isUnasked ? false : undefined,
      topic: isTopic || undefined,
      instead: instead.length ? instead : undefined,
      ...kept.response,
    },
    replies: {
      words: range('replies.words'),
      sentences: atLeast('replies.sentences.min'),
      sources: atLeast('replies.sources.min'),
      quotes: atLeast('replies.quotes.min'),
      question: atLeast('replies.question.min'),
      count,
      distinctPeers: tick('replies.distinctPeers'),
      distinctDays: days === 1 ? undefined : days,
      greetByName: tick('replies.greetByName') || undefined,
      staffCount: tick('replies.staffCount'),
      otherSide: (hasSides && tick('replies.otherSide')) || undefined,
      ...kept.replies,
    },
    sides: hasSides ? sides : undefined,
    leader: leads === undefined ? undefined : { replies: leads },
    grouped: tick('grouped') || undefined,
    // Nothing can be sealed behind a response that nobody owes.
    sealed: tick('sealed') && !isUnasked,
    sealOpensWithAny: tick('sealed') && tick('sealOpensWithAny'),
    points: number('points', 0),
  };
  if (problems.length) return fail({ code: 'fields', problems });
  return ok({
    title: said('title'),
    course: said('course'),
    week,
    zone,
    responseDue,
    repliesDue,
    late: lateRuleSchema.parse(
      rule === 'penalty'
        ? { rule, percentPerDay, days: lateDays }
        : rule === 'accepted'
          ? { rule, days: lateDays }
          : rule === 'refused'
            ? { rule }
            : { rule: 'accepted', days: UNSAID_DAYS, unsaid: true },
    ),
    brief: briefSchema.parse(brief),
  });
}
