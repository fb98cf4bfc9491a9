import type { CheckId } from '../brief/brief';
import type { Ledger } from '../counting/types';
import type { Criterion, Rubric } from '../rubric/rubric';

/** Why a level is proposed, for a sentence beside it. */
export type Ground =
  | { code: 'nothing-shared' }
  | { code: 'checks-met'; checks: CheckId[] }
  | { code: 'checks-unmet'; checks: CheckId[] }
  | { code: 'replies'; counted: number; of: number };
export type Proposed = { level: number; ground: Ground };

/** The level for so many things missing out of all: none is the best, all the last, and between them evenly. */
const levelFor = (c: Criterion, missing: number, of: number): number =>
  of === 0 ? 0 : Math.ceil((Math.min(missing, of) / of) * (c.levels.length - 1));

const isHere = (state: string) => state === 'counted' || state === 'late' || state === 'excused';

/**
 * What the ledger knows of a criterion: of one about replies, how many of them count; of one with checks, how many of those the
 * response that is judged does not meet. Proposed and never filled in: whether a thought is good no ledger knows.
 *
 * @param asked the checks that the brief asks for: a criterion's other checks say nothing here
 * @example three levels and two of three replies counted: { level: 1, ground: { code: 'replies', counted: 2, of: 3 } }
 */
export function proposeLevels(
  rubric: Rubric,
  { obligations }: Pick<Ledger, 'obligations'>,
  asked: readonly CheckId[],
): Record<string, Proposed> {
  const response = obligations.find((o) => o.kind === 'response');
  const replies = obligations.filter((o) => o.kind === 'reply');
  const proposed = (c: Criterion): Proposed | null => {
    if (c.replies) {
      if (replies.length === 0) return null;
      const counted = replies.filter((o) => isHere(o.state)).length;
      return {
        level: levelFor(c, replies.length - counted, replies.length),
        ground: { code: 'replies', counted, of: replies.length },
      };
    }
    const checks = c.checks.filter((id) => asked.includes(id));
    if (!response || response.state === 'excused') return null;
    if (response.post === null) return { level: c.levels.length - 1, ground: { code: 'nothing-shared' } };
    if (checks.length === 0) return null;
    const unmet = checks.filter((id) => response.unmet.includes(id));
    return unmet.length
      ? { level: levelFor(c, unmet.length, checks.length), ground: { code: 'checks-unmet', checks: unmet } }
      : { level: 0, ground: { code: 'checks-met', checks } };
  };
  return Object.fromEntries(
    rubric.criteria.flatMap((c) => {
      const found = proposed(c);
      return found ? [[c.id, found] as const] : [];
    }),
  );
}
