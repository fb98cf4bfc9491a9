import { offering } from '@/contract/questions';
import { offersFor } from '@/server/questions/offers';
import { json } from '../../../../_request/endpoint';

/** What has been asked already, while one types. */
export const POST = json('ask the course', offering, ({ who, params, input }) =>
  offersFor(who.deps, who.actor, params.course, input.text),
);
