import { answersWith } from './endpoint';
import type { NotRead } from './not-read';
import type { Balance } from '@/core/counting/types';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Schedule } from '@/core/deadlines/schedule';
import type { Instant } from '@/core/ids';
import type { Dearest } from '@/core/marks/losses';
import type { Mark } from '@/core/marks/mark';
import type { Standing } from '@/core/marks/progress';
import type { ClassRhythm } from '@/core/rhythm/class-rhythm';
import type { Syllabus } from '@/core/syllabus/syllabus';

/** One discussion in the line of a course's weeks. */
export type ProgressCell = {
  slug: string;
  title: string;
  week: number;
  state: DiscussionState;
  schedule: Schedule;
  balance: Balance;
  /** What stands in it: points, a verdict, or only that it was read; null while nothing is released. */
  mark: {
    points: number | null;
    of: number | null;
    verdict: Mark['verdict'];
    /** What the late rule took. */
    taken: number;
    isNew: boolean;
    changed: boolean;
  } | null;
  /** What they thought before sharing, in points of the same rubric, where every criterion was said. */
  estimate: number | null;
  /** Points that can still be had in it. */
  toWin: number;
  /** Words of one's own that are shared, and minutes at it. */
  words: number;
  minutes: number;
  /** Hours between the shared response, or the last counted reply, and its deadline; negative after it. */
  responseHours: number | null;
  replyHours: number | null;
};

export type ProgressCourse = {
  code: string;
  slug: string;
  title: string;
  cells: ProgressCell[];
  standing: Standing;
  scale: Syllabus['scale'] | null;
  /** What part of the course discussions are, in percent, where its syllabus says so. */
  weight: number | null;
  cost: Dearest | null;
  /** When the class shares its responses, without names; null where too few take part. */
  rhythm: ClassRhythm | null;
};

/** How many of one's replies in a discussion said something, something little, or nothing new. */
export type ReplySubstance = {
  course: string;
  week: number;
  substantive: number;
  fair: number;
  thin: number;
};

/** What one's own replies were judged to be: asked for by whoever wrote them, and shown to nobody else. */
export const replyingWell = answersWith<{ weeks: ReplySubstance[] }, NotRead>()('GET', '/progress/substance');

export type ProgressPage = {
  now: Instant;
  /** Marks one has not seen yet. */
  fresh: number;
  courses: ProgressCourse[];
  /** The course in which most was lost by one thing. */
  most: { code: string; cost: Dearest } | null;
};
