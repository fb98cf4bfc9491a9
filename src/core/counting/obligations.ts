import { deadlineOf, type Classified, type Judged } from './classify';
import type { LedgerInput, Obligation, ObligationState } from './types';

const STATES = { met: 'counted', late: 'late', short: 'short', 'too-late': 'missed' } as const;

const fulfilled = (input: LedgerInput, { post, judged }: Judged, n: number): Obligation => ({
  kind: post.kind,
  n,
  state: STATES[judged.quality],
  deadline: deadlineOf(input, post.kind),
  post: post.id,
  at: judged.version.at,
  unmet: judged.version.unmet,
  penaltyPercent: judged.penaltyPercent,
  barred: false,
});

function unfilled(
  input: LedgerInput,
  kind: Obligation['kind'],
  barred: boolean,
  draft: boolean,
): ObligationState {
  if (input.excused) return 'excused';
  if (input.now >= deadlineOf(input, kind).closes || barred) return 'missed';
  return draft ? 'draft' : 'owed';
}

function open(
  input: LedgerInput,
  kind: Obligation['kind'],
  n: number,
  barred: boolean,
  draft: boolean,
): Obligation {
  return {
    kind,
    n,
    state: unfilled(input, kind, barred, draft),
    deadline: deadlineOf(input, kind),
    post: null,
    at: null,
    unmet: [],
    penaltyPercent: 0,
    barred,
  };
}

/**
 * A state for each thing owed: the response where one is asked for, then as many replies as are asked for (rules 1, 2, 5 and 8).
 * @example nothing shared, a response and two replies asked for: three obligations, each `owed`
 */
export function obligationsOf(
  input: LedgerInput,
  { response, drafts, barred }: Classified,
  { filled, begun }: { filled: readonly Judged[]; begun: number },
): Obligation[] {
  // Whoever owes nothing is not short of anything.
  const stands = (j: Judged) => !(input.excused && j.judged.quality === 'short');
  const standing = filled.filter(stands);
  const ofResponse =
    response && response.judged.quality !== 'too-late' && stands(response)
      ? fulfilled(input, response, 1)
      : open(
          input,
          'response',
          1,
          false,
          drafts.some((p) => p.kind === 'response'),
        );
  const ofReplies = Array.from({ length: input.rules.replies.count }, (_, i) => {
    const j = standing[i];
    return j ? fulfilled(input, j, i + 1) : open(input, 'reply', i + 1, barred, i < standing.length + begun);
  });
  return input.rules.response === false ? ofReplies : [ofResponse, ...ofReplies];
}
