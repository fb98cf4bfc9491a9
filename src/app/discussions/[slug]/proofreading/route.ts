import { learningWord, proofreadingOf } from '@/contract/proofreading';
import { learnWord, proofreading } from '@/server/proofread/proofreading';
import { json } from '../../../_request/endpoint';

/** What reading a draft over needs to know of its course and its writer. */
export const GET = json('write', proofreadingOf, ({ who, params }) =>
  proofreading(who.deps, who.actor, params.slug),
);

/** A word that is spelt right. */
export const POST = json('write', learningWord, ({ who, params, input }) =>
  learnWord(who.deps, who.actor, params.slug, input),
);
