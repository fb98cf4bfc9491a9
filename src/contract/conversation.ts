import { z } from 'zod';
import { REACTION_KINDS, type Reactions } from '@/core/posts/reactions';
import { MODERATION_ACTS, REASON_LENGTH } from '@/core/posts/moderation';
import { storable } from '@/core/document/document';
import type { Instant } from '@/core/ids';
import { answersWith } from './endpoint';

export const readingInputSchema = z.union([
  z.strictObject({ posts: z.array(z.number().int().positive()).min(1).max(200), read: z.boolean() }),
  z.strictObject({ posts: z.literal('all'), read: z.literal(true) }),
  /** What was marked as read together, at that moment, is unread again. */
  z.strictObject({ at: z.number().int().positive(), read: z.literal(false) }),
]);
export type ReadingInput = z.infer<typeof readingInputSchema>;

/** Marks posts as read or sets them back; says what is unread afterwards, and the moment by which it can be undone. */
export const markingRead = answersWith<{ unread: number; at: number | null }>()(
  'POST',
  '/discussions/:slug/reads',
  readingInputSchema,
);

export const followSchema = z.strictObject({
  /** The response of a thread; null is the discussion. */
  thread: z.number().int().positive().nullable(),
  on: z.boolean(),
});

/** Follows a discussion or a thread of it, or does so no more. */
export const following = answersWith<null>()('POST', '/discussions/:slug/follow', followSchema);

export const reactionSchema = z.strictObject({ kind: z.enum(REACTION_KINDS), on: z.boolean() });

/** "Well said", and the bookmark. */
export const reacting = answersWith<Reactions, { code: 'own-post' } | { code: 'gone' }>()(
  'POST',
  '/discussions/:slug/posts/:post/reactions',
  reactionSchema,
);

export const moderationSchema = z.strictObject({
  act: z.enum(MODERATION_ACTS),
  reason: z.string().max(REASON_LENGTH).transform(storable).default(''),
});
export type ModerationInput = z.infer<typeof moderationSchema>;
export type ModerationFailure = { code: 'not-found' } | { code: 'not-yours-to-do' } | { code: 'no-reason' };

/** Reports a post, or does about it what staff may. */
export const moderating = answersWith<{ act: ModerationInput['act'] }, ModerationFailure>()(
  'POST',
  '/discussions/:slug/posts/:post/moderation',
  moderationSchema,
);

export type Glance = {
  author: string;
  kind: 'response' | 'reply';
  title: string;
  beginning: string;
  sharedAt: Instant;
  zone: string;
  gone: boolean;
};

/** The beginning of a post that a text points at. */
export const glancing = answersWith<Glance>()('GET', '/discussions/:slug/posts/:post/glance');
