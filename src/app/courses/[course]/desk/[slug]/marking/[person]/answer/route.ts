import { answeringComment } from '@/contract/marks';
import { answerAsStaff } from '@/server/marks/comments';
import { json } from '../../../../../../../_request/endpoint';

/** Staff answer what a student said about a comment. */
export const POST = json(
  'mark a part',
  answeringComment,
  ({ who, params: { course, slug, person }, input }) =>
    answerAsStaff(who.deps, who.actor, { slug: course, name: slug, person }, input),
);
