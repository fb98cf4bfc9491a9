import { notingProgress } from '@/contract/readings';
import { noteReading } from '@/server/courses/readings';
import { json } from '../../../_request/endpoint';

/** Notes time spent on a reading, and whether it is read. */
export const POST = json('read a reading', notingProgress, ({ who, params, input }) =>
  noteReading(who.deps, who.actor, params.slug, input),
);
