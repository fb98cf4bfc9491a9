import { z } from 'zod';
import { SPELLINGS, type Spelling } from '@/core/proofread/spelling';
import { answersWith } from './endpoint';

export type Proofreading = {
  names: string[];
  /** Words that are right here: one's own, and the course's. */
  known: string[];
  spelling: Spelling;
  readings: { title: string; text: string }[];
};

/** What reading a draft over needs to know of its course and its writer. */
export const proofreadingOf = answersWith<Proofreading>()('GET', '/discussions/:slug/proofreading');

export const wordSchema = z.object({
  word: z
    .string()
    .trim()
    .regex(/^[\p{L}\p{M}'’-]{1,60}$/u),
  /** For everybody in the course; only its staff say so. */
  course: z.boolean().default(false),
});

/** Adds a word that is spelt right. */
export const learningWord = answersWith<null>()('POST', '/discussions/:slug/proofreading', wordSchema);

/** Which English a person writes. */
export const choosingSpelling = answersWith<null>()(
  'POST',
  '/settings/spelling',
  z.object({ spelling: z.enum(SPELLINGS) }),
);
