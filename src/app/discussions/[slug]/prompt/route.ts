import { puttingPrompt } from '@/contract/readings';
import { changeMaterial } from '@/server/courses/material';
import { json } from '../../../_request/endpoint';

/** Puts a text that was changed on the desk in the prompt's place. */
export const PUT = json('keep material', puttingPrompt, ({ who, params, input }) =>
  changeMaterial(who.deps, who.actor, { of: 'prompt', slug: params.slug }, input),
);
