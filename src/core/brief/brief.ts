import { z } from 'zod';

/** The structured form of a prompt: what the response and the replies must have. Deadlines stand beside it. */
const range = z.strictObject({
  min: z.number().int().min(1).optional(),
  max: z.number().int().min(1).optional(),
});
const atLeast = z.strictObject({ min: z.number().int().min(1) });

/** What a text is to carry beside words. */
const MEDIA_KINDS = ['image', 'video', 'audio', 'link', 'file'] as const;
const mediaSchema = z.strictObject({ kind: z.enum(MEDIA_KINDS), min: z.number().int().min(1).max(20) });
export type Media = z.infer<typeof mediaSchema>;

const partSchema = z.strictObject({ id: z.string().min(1).max(20), text: z.string().min(1) });
export type Part = z.infer<typeof partSchema>;

const conceptSchema = z.strictObject({
  term: z.string().min(1),
  aliases: z.array(z.string().min(1)).default([]),
});
/** A course idea the prompt wants used, with the other names it goes by. */
export type Concept = z.infer<typeof conceptSchema>;

/** The checks there are. A check is required unless the brief lists it as advised. */
export const CHECK_IDS = [
  'words',
  'paragraphs',
  'sentences',
  'parts',
  'concepts',
  'sources',
  'quotes',
  'question',
  'example',
  'media',
  'greeting',
  'title',
] as const;
export const checkIdSchema = z.enum(CHECK_IDS);
export type CheckId = z.infer<typeof checkIdSchema>;

const writing = {
  words: range.optional(),
  paragraphs: range.optional(),
  sentences: range.optional(),
  sources: atLeast.optional(),
  quotes: atLeast.optional(),
  concepts: atLeast.optional(),
  question: atLeast.optional(),
  example: atLeast.optional(),
  media: z.array(mediaSchema).max(5).optional(),
  advised: z.array(checkIdSchema).default([]),
  /** Words of quotations count as own words: rule 9's exception. */
  countQuoted: z.boolean().default(false),
};

/** The first or the second of two sides. */
export type Side = 1 | 2;

const sideName = z.string().trim().min(1).max(60);

export const briefSchema = z.strictObject({
  parts: z.array(partSchema).max(12).default([]),
  concepts: z.array(conceptSchema).default([]),
  response: z.strictObject({
    ...writing,
    /** `true`: some title. A string: this title and no other. */
    title: z.union([z.boolean(), z.string().min(1)]).optional(),
    /** `false`: nobody owes a response; what is asked for is replies alone. */
    asked: z.boolean().optional(),
    /** Every student begins a topic of their own with it. */
    topic: z.boolean().optional(),
    /** One of these stands in the place of the words: a first post may be spoken, drawn or handed in. */
    instead: z
      .array(z.enum(['image', 'video', 'audio', 'file']))
      .max(4)
      .optional(),
  }),
  replies: z.strictObject({
    ...writing,
    count: z.number().int().min(0).max(20),
    distinctPeers: z.boolean().default(false),
    /** On how many different calendar days of the course the counted replies must fall. */
    distinctDays: z.number().int().min(2).max(20).optional(),
    greetByName: z.boolean().optional(),
    /** A reply to an instructor or assistant counts too. */
    staffCount: z.boolean().default(false),
    /** Where two sides are given out: only a reply to somebody of the other side counts. */
    otherSide: z.boolean().optional(),
  }),
  /** What the two sides are called that students are given, where there are any. */
  sides: z.tuple([sideName, sideName]).optional(),
  /** One or more lead the discussion: so many replies they owe, and nothing is sealed to them. */
  leader: z.strictObject({ replies: z.number().int().min(0).max(20) }).optional(),
  /** Each group of the course has a conversation of its own. */
  grouped: z.boolean().optional(),
  sealed: z.boolean().default(false),
  /** The seal opens with any response, whatever it is still short of (rule 4). */
  sealOpensWithAny: z.boolean().default(false),
  points: z.number().min(0).optional(),
});
export type Brief = z.infer<typeof briefSchema>;
export type WritingRules = Brief['response'] | Brief['replies'];
