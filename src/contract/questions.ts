import { z } from 'zod';
import { storable } from '@/core/document/document';
import { LIMITS } from '@/core/document/limits';
import type { Brief } from '@/core/brief/brief';
import type { Doc } from '@/core/document/nodes';
import type { Instant } from '@/core/ids';
import {
  askingSchema,
  type About,
  type Asking,
  type AskingRefusal,
  type QuestionKind,
} from '@/core/questions/asking';
import { handsSchema, type Hands, type HandsResult } from '@/core/questions/hands';
import { meetingSchema, type MeetingSeen } from '@/core/questions/meeting';
import type { QuestionState } from '@/core/questions/state';
import type { Conversation } from './conversation-view';
import type { OpenDraft } from './discussion';
import { answersWith } from './endpoint';
import type { ShareFailure } from './writing';

/** Which questions a list shows. */
export const QUESTION_FILTERS = [
  'all',
  'open',
  'yours',
  'followed',
  'unread',
  'staff',
  'meets',
  'corner',
] as const;
export type QuestionFilter = (typeof QUESTION_FILTERS)[number];

/** A question as it stands in the list. */
export type QuestionLine = {
  number: number;
  post: number;
  title: string;
  kind: QuestionKind;
  /** Null for what does not ask. */
  state: QuestionState | null;
  audience: Asking['audience'];
  author: string;
  mine: boolean;
  /** From whom the name is covered, for those who may know that it is. */
  cover: Asking['cover'];
  about: About | null;
  week: number | null;
  label: string;
  kept: boolean;
  at: Instant;
  /** Who has answered, staff first, and how many answers stand. */
  by: string[];
  answers: number;
  /** Whose of the staff took it on; for staff, and of what only these read for its asker. */
  taken: string | null;
  /** How many it spared asking again. */
  spared: number;
  mergedInto: number | null;
  unread: number;
  followed: boolean;
  hands: { people: number; named: boolean; closes: Instant } | null;
  /** Of an hour to meet: when, and how many slots are free; null where it has none. */
  meets: { starts: Instant; over: boolean; calledOff: boolean; free: number | null } | null;
  /** Staff would like everybody to read it, and wait for its asker's word. */
  openWanted: boolean;
};

/** An answer that somebody of the staff keeps, to give it again. */
export type SavedAnswer = { id: string; title: string; doc: Doc };

/** How a course takes questions, as its staff say it. */
export const questionRulesSchema = z.object({
  coverFromStaff: z
    .literal('yes')
    .optional()
    .transform((said) => said === 'yes'),
  hours: z.string().trim().max(400).default('').transform(storable),
  corner: z.string().trim().max(40).default('').transform(storable),
});

/** What the page to ask on knows beside the draft. */
export type AskPage = {
  draft: OpenDraft;
  /** What the desk checks it by: nothing is asked of who asks. */
  brief: Brief;
  asking: Asking;
  /** Who is there to see it. */
  classmates: number;
  group: { name: string; others: number } | null;
  staff: string[];
  coverFromStaff: boolean;
  /** What the corner for anything is called; empty where there is none. */
  corner: string;
};

/** A question that is open, with what is said about its answers. */
export type OpenQuestion = {
  line: QuestionLine;
  view: Conversation;
  /** Answers that staff confirmed, by post, with who did. */
  confirmed: Record<number, string>;
  /** Of a show of hands: what there is to choose, and what one sees of it. */
  hands: (Pick<Hands, 'choices' | 'several' | 'named' | 'shown' | 'closes'> & { result: HandsResult }) | null;
  meets: MeetingSeen | null;
  /** Questions that ask much the same and wait, to be answered with this one; for staff. */
  alike: { number: number; title: string; author: string }[];
  /** For staff. */
  saved: SavedAnswer[];
  /** Of what only the staff read: who of them has read the last its asker said; null of all else. */
  readBy: string[] | null;
};

export type QuestionsPage = {
  course: { slug: string; code: string; title: string; zone: string };
  /** One's other courses, to change between. */
  courses: { slug: string; code: string }[];
  /** Where its posts are written. */
  room: string;
  show: QuestionFilter;
  week: number | null;
  label: string | null;
  /** Those of a page of the list, and how many there are in all. */
  lines: QuestionLine[];
  at: number;
  pages: number;
  counts: Record<QuestionFilter, number>;
  weeks: number[];
  labels: string[];
  /** Within how many hours staff usually answer here; null where it cannot be said. */
  within: number | null;
  /** When staff are there, in their own words. */
  hours: string;
  /** What the corner for anything is called; empty where there is none. */
  corner: string;
  /** The number of one's line with the staff; null where there is none yet. */
  line: number | null;
  open: OpenQuestion | null;
  ask: AskPage | null;
  staff: boolean;
  onlooker: boolean;
  now: Instant;
};

/** Something that may spare asking: a question of before, an announcement, or a paragraph of the syllabus. */
export type QuestionOffer =
  | { of: 'question'; number: number; title: string; state: QuestionState | null; by: string[] }
  | { of: 'announcement'; id: string; title: string }
  | { of: 'syllabus'; text: string }
  /** What the rules of a discussion say. */
  | { of: 'rules'; slug: string; title: string; text: string };

/** What is near to what somebody is about to ask. */
export const offering = answersWith<{ offers: QuestionOffer[] }, never>()(
  'POST',
  '/courses/:course/questions/offers',
  z.strictObject({ text: z.string().max(2_000) }),
);

export const askInputSchema = z.strictObject({
  submission: z.uuid(),
  title: z.string().max(LIMITS.titleLength).transform(storable),
  doc: z.unknown(),
  asking: askingSchema,
  /** What there is to choose, where hands are to be shown. */
  hands: handsSchema.nullable().default(null),
  /** When and where, where staff offer an hour to meet. */
  meets: meetingSchema.nullable().default(null),
});

/** What stands against asking, beside all that stands against sharing. */
export type NotAsked = AskingRefusal | { code: 'no-choices' } | { code: 'no-meeting' };

/** Asks, or tells: makes one post of a submission, however often it is sent. */
export const asking = answersWith<{ number: number }, ShareFailure | NotAsked>()(
  'POST',
  '/courses/:course/questions/asked',
  askInputSchema,
);

export const QUESTION_ACTS = [
  'settle',
  'reopen',
  'keep',
  'unkeep',
  'take',
  'leave',
  'confirm',
  'unconfirm',
  'spared',
  'label',
  'merge',
  'merge-here',
  'raise',
  'want-open',
  'open-it',
  'keep-closed',
  'take-slot',
  'give-slot',
  'move-meeting',
  'call-off',
  'save-answer',
  'drop-saved',
] as const;
export const questionActSchema = z.strictObject({
  act: z.enum(QUESTION_ACTS),
  /** The answer that is meant, where one is. */
  post: z.coerce.number().int().positive().optional(),
  label: z.string().trim().max(40).transform(storable).optional(),
  /** What one raises one's hand for: none of it takes it down. */
  choice: z.array(z.coerce.number().int().min(0).max(50)).max(50).optional(),
  /** The number of the question that this one is put together with. */
  into: z.coerce.number().int().positive().optional(),
  /** The numbers of those that are put together with it. */
  from: z.array(z.coerce.number().int().positive()).max(50).optional(),
  slot: z.coerce.number().int().min(0).max(100).optional(),
  /** When and where an hour to meet is from now on, by the course's clock. */
  starts: z.string().max(40).optional(),
  place: z.string().trim().max(400).transform(storable).optional(),
  saved: z.uuid().optional(),
});
export type QuestionAct = z.infer<typeof questionActSchema>;
