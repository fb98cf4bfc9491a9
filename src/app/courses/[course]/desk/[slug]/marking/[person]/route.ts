import { keepingMark } from '@/contract/marks';
import { keepMark } from '@/server/marks/keep';
import { json } from '../../../../../../_request/endpoint';

/** Keeps a mark as it is written. */
export const PUT = json('mark a part', keepingMark, ({ who, params: { course, slug, person }, input }) =>
  keepMark(who.deps, who.actor, { slug: course, name: slug, person }, input),
);
