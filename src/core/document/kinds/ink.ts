import { z } from 'zod';
import type { MarkKind } from '../kind';
import { INKS, type Ink } from '../limits';
import type { Mark } from '../nodes';

const isInk = (name: unknown): name is Ink => INKS.some((ink) => ink === name);

/** Outside Pulpit its words are in the page's own ink. */
export const ink: MarkKind<Extract<Mark, { type: 'ink' }>> = {
  type: 'ink',
  spec: { attrs: { name: { default: null } } },
  json: z.strictObject({ type: z.literal('ink'), attrs: z.strictObject({ name: z.enum(INKS) }) }),
  tidy: ({ name }) => (isInk(name) ? { name } : null),
  html: (words) => words,
  markdown: (words) => words,
};
