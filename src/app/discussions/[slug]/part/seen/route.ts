import { markSeen } from '@/contract/marks';
import { noteSeen } from '@/server/marks/seen';
import { json } from '../../../../_request/endpoint';

/** A student has seen their mark. */
export const POST = json('read posts', markSeen, ({ who, params: { slug } }) =>
  noteSeen(who.deps, who.actor, slug),
);
