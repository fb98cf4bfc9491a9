import { glancing } from '@/contract/conversation';
import { glance } from '@/server/posts/glance';
import { json } from '../../../../../_request/endpoint';
import { numberOf } from '../../../../../_request/write';

/** The beginning of a post that a text points at. */
export const GET = json('read posts', glancing, ({ who, params }) =>
  glance(who.deps, who.actor, params.slug, numberOf(params.post)),
);
