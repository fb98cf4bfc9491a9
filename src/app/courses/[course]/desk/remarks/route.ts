import { keepingRemark } from '@/contract/marks';
import { keepRemark } from '@/server/marks/remarks';
import { json } from '../../../../_request/endpoint';

/** Keeps a remark for marking under its key. */
export const PUT = json('mark a part', keepingRemark, ({ who, params: { course }, input }) =>
  keepRemark(who.deps, who.actor, course, input),
);
