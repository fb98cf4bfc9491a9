import { choose } from './choose';
import { classify } from './classify';
import { obligationsOf } from './obligations';
import type { Ledger, LedgerInput } from './types';
import { verdictsOf } from './verdicts';

/**
 * A student's account in one discussion: a state for each thing owed, and for each post what it counts as or why it
 * does not (rules 1 to 5, 7 and 8 of counting). What was shared is told apart, the replies that fill what is owed are
 * chosen, and from both follow the obligations and the verdicts. The same function speaks in the browser before sharing and
 * on the server afterwards.
 *
 * @example one response shared and two of three replies owed: obligations `counted`, `owed`, `owed`, `owed`, not complete
 */
export function ledger(input: LedgerInput): Ledger {
  const classified = classify(input);
  const chosen = choose(input, classified);
  const obligations = obligationsOf(input, classified, chosen);
  return {
    obligations,
    verdicts: verdictsOf(input, classified, chosen.filled, obligations),
    complete: obligations.every((o) => o.state === 'counted' || o.state === 'late' || o.state === 'excused'),
  };
}
