import type { CheckId } from '../brief/brief';
import { postId, type PostId } from '../ids';
import { ledger } from './ledger';
import type { Begun, LedgerInput, Verdict } from './types';

const HYPOTHETICAL = postId(Number.MAX_SAFE_INTEGER);

/**
 * What a draft would count as if it were shared now: the verdict the ledger will give afterwards. `unmet` names the
 * required checks it does not meet yet.
 *
 * @example a first reply that meets its checks would count as reply 1
 */
export function previewVerdict(input: LedgerInput, draft: Begun, unmet: CheckId[]): Verdict {
  const post = {
    id: HYPOTHETICAL,
    kind: draft.kind,
    to: draft.to,
    private: draft.private ?? false,
    withdrawn: false,
    hidden: false,
    versions: [{ at: input.now, unmet }],
  };
  const { verdicts } = ledger({ ...input, posts: [...input.posts, post], begun: [] });
  const verdict = verdicts.find((v) => v.post === HYPOTHETICAL);
  if (!verdict) throw new Error('the ledger gave no verdict on the draft');
  return verdict;
}

/**
 * What a shared post would count as if its text were changed now to one that does not meet `unmet`. After the deadline
 * the change is kept, and the text that was there in time goes on counting where it met what was required (rule 8).
 *
 * @example a change after the deadline to a text that is too short leaves the post counted
 */
export function previewChange(input: LedgerInput, post: PostId, unmet: CheckId[]): Verdict | null {
  const posts = input.posts.map((p) =>
    p.id === post ? { ...p, versions: [...p.versions, { at: input.now, unmet }] } : p,
  );
  return ledger({ ...input, posts }).verdicts.find((v) => v.post === post) ?? null;
}
