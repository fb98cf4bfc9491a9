import { dayIn } from '../deadlines/day';
import type { Instant } from '../ids';
import { assign, type Candidate } from './assign';
import type { Classified, Judged } from './classify';
import type { LedgerInput, OwnPost } from './types';

const TIER = { met: 0, late: 1, short: 2, 'too-late': 3 } as const;
const DRAFT_TIER = 3;

const isShort = (j: Judged) => (j.judged.quality === 'short' ? 1 : 0);
const byVersion = (a: Judged, b: Judged) =>
  a.judged.version.at - b.judged.version.at || a.post.id - b.post.id;

/**
 * Which replies fill what is owed, in the order in which they are written into the tally, and which begun ones would (rules 3, 5
 * and 7): as many as the rules allow, and among those the better and the earlier.
 *
 * @example two replies to one classmate, where they must be distinct: the first fills one reply, the second none
 */
export function choose(
  { rules, schedule, now }: LedgerInput,
  { replies, drafts }: Classified,
): { filled: Judged[]; begun: number } {
  const toCandidate = (post: OwnPost, at: Instant, tier: number): Candidate => ({
    key: post.id,
    person: post.to?.person ?? '',
    // Asking the calendar is the dearest step here, and most briefs do not care.
    day: rules.replies.distinctDays ? dayIn(at, schedule.zone) : '',
    tier,
  });
  const begun = drafts.filter((p) => p.kind === 'reply');
  const chosen = assign(
    [
      ...[...replies]
        .sort((a, b) => TIER[a.judged.quality] - TIER[b.judged.quality] || byVersion(a, b))
        .map((j) => toCandidate(j.post, j.judged.version.at, TIER[j.judged.quality])),
      ...begun.map((p) => toCandidate(p, now, DRAFT_TIER)),
    ],
    rules.replies,
  );
  return {
    filled: replies
      .filter((j) => chosen.has(j.post.id))
      .sort((a, b) => isShort(a) - isShort(b) || byVersion(a, b)),
    begun: begun.filter((p) => chosen.has(p.id)).length,
  };
}
