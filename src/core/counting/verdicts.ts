import { dayIn } from '../deadlines/day';
import type { PostId } from '../ids';
import { judge, type Classified, type Judged } from './classify';
import type { LedgerInput, NotCounted, Obligation, OwnPost, Verdict } from './types';

/** Of a post that may stand and fills nothing: why, and which post does instead. */
function whyNot(
  { rules, schedule }: LedgerInput,
  { post, judged }: Judged,
  filled: readonly Judged[],
): { reason: NotCounted; instead: PostId | null } {
  const rival = (same: (other: Judged) => boolean) =>
    filled.find((j) => j.post.id !== post.id && same(j))?.post.id ?? null;
  const classmate = rules.replies.distinctPeers ? rival((j) => j.post.to?.person === post.to?.person) : null;
  if (classmate !== null) return { reason: 'same-classmate', instead: classmate };
  if (filled.length >= rules.replies.count) return { reason: 'enough-already', instead: null };
  if (judged.quality === 'short') return { reason: 'short', instead: null };
  const day = dayIn(judged.version.at, schedule.zone);
  return {
    reason: 'same-day',
    instead: rival((j) => dayIn(j.judged.version.at, schedule.zone) === day),
  };
}

/**
 * What each post counts as, or why it does not.
 * @example a second response is "a further post", and no obligation is named
 */
export function verdictsOf(
  input: LedgerInput,
  { posts, response }: Classified,
  filled: readonly Judged[],
  obligations: readonly Obligation[],
): Verdict[] {
  const nOf = new Map(obligations.flatMap((o) => (o.post === null ? [] : [[o.post, o.n] as const])));
  return posts.map(({ post, out }) => {
    const { judged } = judge(input, post);
    const n = nOf.get(post.id) ?? null;
    const base = {
      post: post.id,
      kind: post.kind,
      at: judged.version.at,
      unmet: judged.version.unmet,
      penaltyPercent: judged.penaltyPercent,
    };
    const not = (reason: NotCounted, instead: PostId | null = null): Verdict => ({
      ...base,
      counted: false,
      reason,
      n: reason === 'short' ? n : null,
      instead,
    });
    if (out) return not(out);
    if (isFurther(post, response)) return not('further-response', response?.post.id);
    if (judged.quality === 'too-late') return not('too-late');
    if (input.excused && judged.quality === 'short') return not('short');
    if (n === null) {
      const { reason, instead } = whyNot(input, { post, judged }, filled);
      return not(reason, instead);
    }
    if (judged.quality === 'short') return not('short');
    return {
      ...base,
      counted: true,
      reason: judged.quality === 'late' ? 'late' : 'counted',
      n,
      instead: null,
    };
  });
}

/** Only the first response that may stand is judged (rule 1). */
const isFurther = (post: OwnPost, response: Judged | null) =>
  post.kind === 'response' && post.id !== response?.post.id;
