import { z } from 'zod';
import { ARRANGEMENTS } from '@/core/posts/arrange';
import { setReadsAs } from '@/db/queries/people';
import type { Actor, Deps } from '../deps';

export const readsAsSchema = z.strictObject({ as: z.enum(ARRANGEMENTS), newestFirst: z.boolean() });

/** Remembers how a person likes to read conversations. */
export const rememberReadsAs = (deps: Deps, actor: Actor, input: z.infer<typeof readsAsSchema>) =>
  setReadsAs(deps.db, actor.id, input);
