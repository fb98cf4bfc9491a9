import { puttingBeginning } from '@/contract/readings';
import { changeMaterial } from '@/server/courses/material';
import { json } from '../../../../_request/endpoint';

/** Puts another text in the place of what a course says to whoever begins it. */
export const PUT = json('keep the desk', puttingBeginning, ({ who, params, input }) =>
  changeMaterial(who.deps, who.actor, { of: 'first page', slug: params.course }, input),
);
