import { choose } from './choose';
import { classify, type Classified, type Judged } from './classify';
import { obligationsOf } from './obligations';
import type { Balance, Ledger, LedgerInput } from './types';
import { verdictsOf } from './verdicts';

type Counted = { classified: Classified; filled: readonly Judged[]; balance: Balance };

/** What was shared is told apart, the replies that fill what is owed are chosen, and from both follow the obligations. */
function count(input: LedgerInput): Counted {
  const classified = classify(input);
  const chosen = choose(input, classified);
  const obligations = obligationsOf(input, classified, chosen);
  return {
    classified,
    filled: chosen.filled,
    balance: {
      obligations,
      complete: obligations.every(
        (o) => o.state === 'counted' || o.state === 'late' || o.state === 'excused',
      ),
    },
  };
}

/**
 * A student's account in one discussion: a state for each thing owed, and for each post what it counts as or why it
 * does not (rules 1 to 5, 7 and 8 of counting). The same function speaks in the browser before sharing and on the server afterwards.
 *
 * @example one response shared and two of three replies owed: obligations `counted`, `owed`, `owed`, `owed`, not complete
 */
export function ledger(input: LedgerInput): Ledger {
  const { classified, filled, balance: account } = count(input);
  return { ...account, verdicts: verdictsOf(input, classified, filled, account.obligations) };
}

/**
 * The same account without what each post counts as: for whole classes, of which only how each stands is wanted.
 * @example balance(input) // { obligations, complete } of ledger(input)
 */
export const balance = (input: LedgerInput): Balance => count(input).balance;
