import type { Brief } from '../brief/brief';
import type { LateRule } from '../deadlines/late';
import type { WallClock } from '../deadlines/wallclock';

/**
 * A brief as the fields of a form, one for each thing that can be asked, so that each can be corrected on its own. A field
 * named like a fact holds what that fact holds. An empty field asks for nothing.
 */
export const NUMBERS = {
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
const TICKS = [
  'replies.distinctPeers',
  'replies.greetByName',
  'replies.staffCount',
  'replies.otherSide',
  'response.example',
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
/**
 * Whether a field is a box that is ticked or not.
 * @example isTick('sealed') // true
 */
export const isTick = (field: string): field is TickField => TICKS.some((t) => t === field);
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

export const LONGEST = { title: 200, course: 60 };
export const MOST_PARTS = 12;
