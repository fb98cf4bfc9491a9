import { isTime, typedWall } from '../deadlines/typed';
import { briefSchema, type Brief } from '../brief/brief';
import { lateRuleSchema, type LateRule } from '../deadlines/late';
import { instantOf, type WallClock } from '../deadlines/wallclock';
import { fail, ok, type Result } from '../result';

/**
 * A brief as the fields of a form, one for each thing that can be asked, so that each can be corrected on its own. A field
 * named like a fact holds what that fact holds. An empty field asks for nothing.
 */
const NUMBERS = {
  points: 10_000,
  'response.words.min': 20_000,
  'response.words.max': 20_000,
  'response.paragraphs.min': 100,
  'response.paragraphs.max': 100,
  'response.sentences.min': 500,
  'response.sources.min': 50,
  'response.quotes.min': 50,
  'response.concepts.min': 50,
  'response.question.min': 20,
  'response.example.min': 10,
  'response.media.image': 20,
  'response.media.video': 20,
  'response.media.audio': 20,
  'response.media.link': 20,
  'response.media.file': 20,
  'replies.count': 20,
  'replies.distinctDays': 20,
  'replies.words.min': 20_000,
  'replies.words.max': 20_000,
  'replies.sentences.min': 500,
  'replies.sources.min': 50,
  'replies.quotes.min': 50,
  'replies.question.min': 20,
  'leader.replies': 20,
  'late.percent': 100,
  'late.days': 60,
} as const;
/** So long a post may still be noted as late where a prompt does not say what becomes of late work. */
const UNSAID_DAYS = 14;
const TICKS = [
  'replies.distinctPeers',
  'replies.greetByName',
  'replies.staffCount',
  'replies.otherSide',
  'response.unasked',
  'response.topic',
  'response.titled',
  'response.instead.image',
  'response.instead.video',
  'response.instead.audio',
  'response.instead.file',
  'sealed',
  'sealOpensWithAny',
  'grouped',
] as const;
const TEXTS = [
  'title',
  'course',
  'zone',
  'parts',
  'concepts',
  'response.title',
  'sides.first',
  'sides.second',
  'late',
] as const;
const TIMES = ['responseDue', 'repliesDue'] as const;

export type NumberField = keyof typeof NUMBERS;
export type TickField = (typeof TICKS)[number];
export type TextField = (typeof TEXTS)[number];
export type TimeField = (typeof TIMES)[number];
export type Field = NumberField | TickField | TextField | TimeField | 'week';
export type Fields = Partial<Record<Field, string>>;

export const FIELDS: readonly Field[] = [
  ...(Object.keys(NUMBERS) as NumberField[]),
  ...TICKS,
  ...TEXTS,
  ...TIMES,
  'week',
];

/**
 * The numbers that can be asked of a response or of each reply, in the order of the form.
 * @example askedOf('replies') // the names of fields that begin with 'replies.'
 */
export const askedOf = (what: 'response' | 'replies'): NumberField[] =>
  (Object.keys(NUMBERS) as NumberField[]).filter((field) => field.startsWith(`${what}.`));

/** What is wrong with one field. `most` is what it may be at most. */
export type FieldProblem = { field: Field } & (
  | {
      code:
        | 'missing'
        | 'no-time'
        | 'no-zone'
        | 'under-minimum'
        | 'before-response'
        | 'too-long'
        | 'one-day'
        | 'nothing-asked'
        | 'too-many';
    }
  | { code: 'no-number'; most: number }
);

/** Everything a form says about a prompt, put together. */
export type OutsideRules = {
  title: string;
  course: string;
  week: number | null;
  zone: string;
  responseDue: WallClock;
  repliesDue: WallClock;
  late: LateRule;
  brief: Brief;
};

const LONGEST = { title: 200, course: 60 };
export const MOST_PARTS = 12;

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
      example: atLeast('response.example.min'),
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
  put('response.example.min', brief.response.example?.min);
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
