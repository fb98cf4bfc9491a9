import { summarise, type Summary } from '../counting/summary';
import type { Balance } from '../counting/types';
import type { Instant } from '../ids';

export type Owed = {
  responses: number;
  replies: number;
  /** The end of the last deadline among them, or of the late days where that is past: "before Sunday night". */
  before: Instant | null;
};

/**
 * What is owed across discussions: only what can still be met, and by when all of it must be.
 * @example two discussions of one response and two replies each, nothing shared: 2 responses and 4 replies
 */
export function owedAcross(accounts: { ledger: Balance; now: Instant }[]): Owed {
  const open = accounts.flatMap(({ ledger, now }) =>
    ledger.obligations.filter(
      (o) => (o.state === 'owed' || o.state === 'draft' || o.state === 'short') && now < o.deadline.closes,
    ),
  );
  const ends = accounts.flatMap(({ ledger, now }) =>
    ledger.obligations
      .filter((o) => open.includes(o))
      .map((o) => (now < o.deadline.due ? o.deadline.due : o.deadline.closes)),
  );
  return {
    responses: open.filter((o) => o.kind === 'response').length,
    replies: open.filter((o) => o.kind === 'reply').length,
    before: ends.length ? (Math.max(...ends) as Instant) : null,
  };
}

/**
 * The order of lines on This week: what is due next comes first, then what was missed, then what is complete.
 *
 * @example what is due on Wednesday stands before what is due on Thursday
 */
export function byUrgency(
  a: { ledger: Balance; now: Instant },
  b: { ledger: Balance; now: Instant },
): number {
  const rank = (s: Summary) => (s.next ? 0 : s.missed ? 2 : 1);
  const sa = summarise(a.ledger, a.now);
  const sb = summarise(b.ledger, b.now);
  return rank(sa) - rank(sb) || (sa.next?.deadline.due ?? 0) - (sb.next?.deadline.due ?? 0);
}
