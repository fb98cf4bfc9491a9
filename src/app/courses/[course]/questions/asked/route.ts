import { asking } from '@/contract/questions';
import { askQuestion } from '@/server/questions/ask';
import { json } from '../../../../_request/endpoint';

/** Asks a course something, or tells it. */
export const POST = json('ask the course', asking, ({ who, params, input }) =>
  askQuestion(who.deps, who.actor, params.course, input),
);
