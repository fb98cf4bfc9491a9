import { z } from 'zod';
import type { CheckFigure } from '@/core/checks/types';
import type { Balance, Obligation, Verdict } from '@/core/counting/types';
import type { Deadline } from '@/core/deadlines/late';
import type { Compared } from '@/core/drafts/difference';
import type { Doc } from '@/core/document/nodes';
import type { Instant, PersonId, PostId } from '@/core/ids';
import type { Loss } from '@/core/marks/losses';
import { COMMENT_LIMITS, type Place } from '@/core/marks/comment';
import { LONGEST_KEPT_REMARK, REMARK_KEYS } from '@/core/marks/kept-remarks';
import {
  markPartSchema,
  markSchema,
  type Late,
  type Mark,
  type MarkPart,
  type Scheme,
  type Score,
  type Way,
} from '@/core/marks/mark';
import type { Proposed } from '@/core/marks/propose';
import type { ReleasedBefore } from '@/core/marks/release';
import type { Difference, SecondStage } from '@/core/marks/second';
import type { TableProblem } from '@/core/marks/read-table';
import type { Spread } from '@/core/marks/spread';
import type { CourseView } from './course';
import { answersWith } from './endpoint';

/** What was said about a comment or a criterion. */
export type CommentTalk = {
  answers: { id: string; author: string; mine: boolean; body: string; at: Instant }[];
  understood: boolean;
};

/** A mark as its student sees it. */
export type ReleasedMark = {
  mark: Mark;
  scheme: Scheme;
  late: Late | null;
  score: Score;
  marker: string;
  releasedAt: Instant;
  /** What they saw before it was changed. */
  was: ReleasedBefore | null;
  /** They have not seen it yet. */
  isNew: boolean;
};

/** Mark and feedback, as their student reads them. */
export type Feedback = {
  mark: ReleasedMark | null;
  /** By what the mark has less than the full one. */
  losses: Loss[];
  /** Where the passage of each comment stands in the text as it is shown. */
  places: Record<string, Place | null>;
  talk: Record<string, CommentTalk>;
  /** The mark asks for it to be done again: when it was given back, and whether anything was changed since the mark. */
  again: { givenBack: Instant | null; changed: boolean } | null;
};

/**
 * How far a student's mark is: nothing said, something, all of it; and of what is released, whether it says the same. Held is what whoever
 * looks has to read a second time first: nothing of it is shown to them.
 */
export type MarkState = 'unwritten' | 'begun' | 'written' | 'released' | 'changed' | 'held';

/** One student in the strip of the class. */
export type MarkLine = {
  id: PersonId;
  name: string;
  balance: Balance;
  state: MarkState;
  points: number | null;
  verdict: Mark['verdict'];
  /** How far their second reading is; null where none is asked for. */
  second: SecondStage | null;
  /** It was done again and given back since the mark. */
  back: boolean;
  /** They asked something about their mark that nobody answered. */
  asks: boolean;
};

/** A second reading beside a mark, once both are written in full. */
export type SecondRead = {
  reader: string;
  stage: SecondStage;
  mark: Mark | null;
  differences: Difference[];
};

/** One of the staff, with how much of the class is theirs to mark. */
export type MarkerShare = { id: PersonId; name: string; share: number; written: number };

/** Something they shared, with what it counted as. */
export type MarkedPost = {
  id: PostId;
  kind: 'response' | 'reply';
  title: string;
  doc: Doc;
  n: number;
  edits: number;
  at: Instant;
  deadline: Deadline;
  ownWords: number;
  checks: CheckFigure[];
  verdict: Verdict | null;
  private: boolean;
  withdrawn: boolean;
  hidden: boolean;
  /** What it answers, as far as whoever marks may read that. */
  to: { name: string; opening: string } | null;
  /** Of a part that was given back: what is different in it from the text that was marked. */
  since: { compared: Compared | null } | null;
};

/** One student's part, laid out for marking. */
export type MarkedStudent = {
  id: PersonId;
  name: string;
  balance: Balance;
  posts: MarkedPost[];
  /** What is owed and not there. */
  missing: Obligation[];
  excused: boolean;
  late: Late | null;
  proposed: Record<string, Proposed>;
  mark: Mark;
  /** Where the passage of each comment stands. */
  places: Record<string, Place | null>;
  talk: Record<string, CommentTalk>;
  /** Which keeping of it this is; 0 where nothing is written. */
  revision: number;
  marker: string | null;
  state: MarkState;
  released: { score: Score; verdict: Mark['verdict']; releasedAt: Instant } | null;
  second: SecondRead | null;
  back: { at: Instant; said: string } | null;
};

/** Whom the page of marks opens at where nobody is named: the first who waits for a mark, who asks, or who gave a part back. */
export const firstSchema = z.enum(['waiting', 'asked', 'back']).catch('waiting');
export type First = z.output<typeof firstSchema>;

/** How the page of marks is looked at. */
export type MarkingLook = {
  /** Names are covered, and the order is shuffled. */
  covered: boolean;
  /** Everybody, though a share of the class is one's own. */
  everybody: boolean;
  /** One's second readings, in the place of the marks. */
  second: boolean;
};

/** More of a class than stands in the strip. */
export type Beyond = { n: number; nearest: PersonId };

export type MarkingPage = {
  course: CourseView;
  discussion: { slug: string; title: string; week: number };
  now: Instant;
  look: MarkingLook;
  /** Who is looking: their second readings, and their share where the class is shared out. */
  seconds: number;
  shared: boolean;
  markers: MarkerShare[];
  /** Remarks one keeps, by key. */
  remarks: string[];
  scheme: Scheme;
  way: Way | null;
  /** Ways that can be chosen here. */
  ways: Way[];
  releaseAt: Instant | null;
  /** Those around whoever is looked at, and how many there are before and after, with the nearest of them. */
  lines: MarkLine[];
  earlier: Beyond | null;
  later: Beyond | null;
  total: number;
  /** How many marks are written in full, are seen by their students, and could be released now. */
  written: number;
  released: number;
  ready: number;
  one: MarkedStudent | null;
  before: PersonId | null;
  after: PersonId | null;
};

/** The keeping this was written on; 0 where nothing was. */
const base = z.number().int().min(0);
/** A whole mark, or what of one is changed in the table. */
export const keepMarkSchema = z.union([
  z.strictObject({
    mark: markSchema,
    base,
    /** It is one's second reading. */ second: z.boolean().optional(),
  }),
  z.strictObject({ part: markPartSchema, base }),
]);

/** Keeps a mark as it is written; nobody but staff sees it. */
export const keepingMark = answersWith<
  { revision: number },
  | { code: 'not-found' }
  | { code: 'second-first' }
  | { code: 'changed-meanwhile'; mark: Mark; revision: number; marker: string }
>()('PUT', '/courses/:course/desk/:slug/marking/:person', keepMarkSchema);

/** Keeps a remark of one's own under a key; an empty one is taken away. */
export const keepingRemark = answersWith<null>()(
  'PUT',
  '/courses/:course/desk/remarks',
  z.strictObject({
    key: z.number().int().min(1).max(REMARK_KEYS.length),
    body: z.string().max(LONGEST_KEPT_REMARK),
  }),
);

/** Notes that somebody has seen the mark that was released to them. */
export const markSeen = answersWith<null>()('POST', '/discussions/:slug/part/seen');

/** What is talked about: a comment, or a criterion of the mark (MARK for all of it). */
export const aboutSchema = z.union([
  z.strictObject({ comment: z.uuid() }),
  z.strictObject({ criterion: z.string().min(1).max(60) }),
]);
export type About = z.output<typeof aboutSchema>;
export const MARK = 'the mark';
/** Under which key what was said about something stands. */
export const talkKey = (about: About): string =>
  'comment' in about ? about.comment : `criterion ${about.criterion}`;

export const answerSchema = z.strictObject({
  about: aboutSchema,
  /** The same one sent twice is one. */
  id: z.uuid(),
  body: z.string().trim().min(1).max(COMMENT_LIMITS.body),
});

/** Staff answer what a student said about a comment or a criterion. */
export const answeringComment = answersWith<null>()(
  'POST',
  '/courses/:course/desk/:slug/marking/:person/answer',
  answerSchema,
);

/** One student's line in the table of a discussion's marks. */
export type MarkRow = {
  id: PersonId;
  name: string;
  email: string | null;
  balance: Balance;
  state: MarkState;
  /** The points of each criterion, where there is a rubric; null where nothing is said. */
  levels: (number | null)[];
  /** Without the late rule, what that takes, and what stands; null while anything is open. */
  earned: number | null;
  taken: number;
  points: number | null;
  verdict: Mark['verdict'];
  /** What of the mark is changed here, what the late rule takes of it, and which keeping it is. */
  mark: MarkPart;
  override: Mark['override'];
  late: Late | null;
  revision: number;
  /** Whose share they are in, and how far their second reading is. */
  marker: string | null;
  second: { reader: string; stage: SecondStage } | null;
};

export type MarksTable = {
  course: CourseView;
  discussion: { slug: string; title: string; week: number };
  scheme: Scheme;
  rows: MarkRow[];
  total: number;
  page: number;
  pages: number;
  markers: { id: PersonId; name: string }[];
  spread: Spread | null;
  sort: MarksSort;
};

export const marksSortSchema = z
  .string()
  .regex(/^-?(?:name|state|points|c\d{1,2})$/u)
  .catch('name');
/** By which column, a minus before it for the other way round. @example '-points' */
export type MarksSort = z.output<typeof marksSortSchema>;

/** One line of a brought table that can be taken over. */
export type BroughtLine = {
  line: number;
  id: PersonId;
  name: string;
  before: number | null;
  after: number | null;
  verdicts: [Mark['verdict'], Mark['verdict']];
  over: boolean;
};

/** A table of marks before it is taken over. */
export type BroughtMarks = {
  id: string;
  file: string;
  course: CourseView;
  discussion: { slug: string; title: string; week: number };
  scheme: Scheme;
  /** Of which state of the marks this speaks: taken over is only what was looked at. */
  stamp: string;
  changes: BroughtLine[];
  same: number;
  problems: { line: number; who: string; problem: TableProblem }[];
};
