import { z } from 'zod';
import type { Doc } from '@/core/document/nodes';
import type { DocumentFailure } from '@/core/document/document';
import { answersWith } from './endpoint';

export const readingProgressSchema = z.strictObject({
  /** Time it was in view since this was last said. */
  seconds: z
    .number()
    .int()
    .min(0)
    .max(4 * 3_600),
  read: z.boolean(),
});

/** Notes time spent on a reading, and whether it counts as read. */
export const notingProgress = answersWith<null>()('POST', '/readings/:slug/progress', readingProgressSchema);

export const materialSchema = z.strictObject({
  doc: z.unknown(),
  /** Of the text this one was made from. */
  stamp: z.string().regex(/^[0-9a-f]{64}$/u),
});
/** What a text of a course is, as it is called in a sentence. */
export type MaterialKind = 'reading' | 'prompt' | 'first page';
export type MaterialFailure =
  | DocumentFailure
  | { code: 'not-found' }
  | { code: 'nothing-written' }
  /** Somebody else changed it meanwhile: their text, and its stamp for who wants to go over it. */
  | { code: 'changed-meanwhile'; doc: Doc; stamp: string };

/** Puts a text that was changed on the desk in a prompt's place. */
export const puttingPrompt = answersWith<null, MaterialFailure>()(
  'PUT',
  '/discussions/:slug/prompt',
  materialSchema,
);
/** The same for a reading. */
export const puttingReading = answersWith<null, MaterialFailure>()(
  'PUT',
  '/readings/:slug/text',
  materialSchema,
);

/** The same for what a course says to whoever begins it. */
export const puttingBeginning = answersWith<null, MaterialFailure>()(
  'PUT',
  '/courses/:course/begin/text',
  materialSchema,
);
