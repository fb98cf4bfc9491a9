import { whatIsAsked } from '@/contract/discussion';
import { askedNow } from '@/server/discussions/head';
import { json } from '../../../_request/endpoint';

/** What a discussion asks of the reader now, by its stamp. */
export const GET = json('read posts', whatIsAsked, ({ who, params }) =>
  askedNow(who.deps, who.actor, params.slug),
);
