import type { Deadline } from '../deadlines/late';
import type { Balance, Ledger, Obligation } from './types';

const OPEN = new Set(['owed', 'draft', 'short']);

export type Summary = {
  /** Obligations that can still be met. */
  owedResponse: boolean;
  owedReplies: number;
  counted: number;
  missed: number;
  short: number;
  total: number;
  /** The deadline of the first thing that can still be met, and that thing. */
  next: { deadline: Deadline; obligation: Obligation } | null;
};

/**
 * The figures a line about a discussion needs, all from its ledger. A short post can be mended until its deadline closes.
 * @example a response counted and three replies open give `{ owedResponse: false, owedReplies: 3, … }`
 */
export function summarise(ledger: Balance, now: number): Summary {
  const open = ledger.obligations.filter((o) => OPEN.has(o.state) && now < o.deadline.closes);
  const first = open.reduce<Obligation | null>(
    (best, o) => (best === null || o.deadline.due < best.deadline.due ? o : best),
    null,
  );
  const count = (states: string[]) => ledger.obligations.filter((o) => states.includes(o.state)).length;
  return {
    owedResponse: open.some((o) => o.kind === 'response'),
    owedReplies: open.filter((o) => o.kind === 'reply').length,
    counted: count(['counted', 'late']),
    missed: count(['missed']),
    short: count(['short']),
    total: ledger.obligations.length,
    next: first && { deadline: first.deadline, obligation: first },
  };
}

/**
 * Whether somebody owes nothing because they are excused, or because nothing is asked of anybody.
 * @example owesNothing({ obligations: [], complete: true }) // 'not-asked'
 */
export function owesNothing({ obligations }: Balance): 'excused' | 'not-asked' | null {
  if (obligations.length === 0) return 'not-asked';
  return obligations.every((o) => o.state === 'excused') ? 'excused' : null;
}

/**
 * What a line needs of a ledger, and no more.
 * @example balanceOf(ledger(input)) // its obligations and whether it is complete, without the verdicts
 */
export const balanceOf = ({ obligations, complete }: Ledger): Balance => ({ obligations, complete });
