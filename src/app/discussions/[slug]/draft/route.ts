import { keepingDraft } from '@/contract/writing';
import { keepDraft } from '@/server/drafts/keep';
import { json } from '../../../_request/endpoint';

/** Keeps a draft while one writes. */
export const PUT = json('write', keepingDraft, ({ who, params, input }) =>
  keepDraft(who.deps, who.actor, params.slug, input),
);
