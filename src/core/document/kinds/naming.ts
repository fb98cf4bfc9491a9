import { z } from 'zod';
import { isUuid, type MarkKind } from '../kind';
import type { Mark } from '../nodes';

/** Words name one thing: a link, a person or a post. Outside Pulpit they are words. */
const naming = { inclusive: false, excludes: 'link postReference mention' };

export const mention: MarkKind<Extract<Mark, { type: 'mention' }>> = {
  type: 'mention',
  spec: { ...naming, attrs: { person: { default: null } } },
  json: z.strictObject({ type: z.literal('mention'), attrs: z.strictObject({ person: z.uuid() }) }),
  tidy: ({ person }) => (isUuid(person) ? { person } : null),
  html: (words) => words,
  markdown: (words) => words,
};

export const postReference: MarkKind<Extract<Mark, { type: 'postReference' }>> = {
  type: 'postReference',
  spec: { ...naming, attrs: { post: { default: null } } },
  json: z.strictObject({
    type: z.literal('postReference'),
    attrs: z.strictObject({ post: z.number().int().positive().max(Number.MAX_SAFE_INTEGER) }),
  }),
  tidy: ({ post }) => (Number.isSafeInteger(post) && Number(post) > 0 ? { post: Number(post) } : null),
  html: (words) => words,
  markdown: (words) => words,
};
