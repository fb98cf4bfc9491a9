import { choosingSpelling } from '@/contract/proofreading';
import { ok } from '@/core/result';
import { chooseSpelling } from '@/server/proofread/proofreading';
import { json } from '../../_request/endpoint';

/** Which English a person writes. */
export const POST = json('keep oneself', choosingSpelling, async ({ who, input }) => {
  await chooseSpelling(who.deps, who.actor, input.spelling);
  return ok(null);
});
