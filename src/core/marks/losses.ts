import type { CheckId } from '../brief/brief';
import type { Balance, Obligation } from '../counting/types';
import type { Criterion } from '../rubric/rubric';
import type { Late, Mark, Scheme } from './mark';
import { scoreOf } from './mark';
import { roundPoints, sumPoints } from './points';

/** What points were lost by. */
export type Cause =
  /** The response, or the n-th reply, is missing or does not count. */
  | { code: 'response' }
  | { code: 'reply'; n: number }
  | { code: 'late' }
  /** The response does not meet this check of its brief. */
  | { code: 'check'; check: CheckId }
  /** A level below the best of a criterion, where nothing that is counted says why. */
  | { code: 'criterion'; title: string }
  /** Points of staff's own, which no criterion explains. */
  | { code: 'judged' };
export type Loss = { cause: Cause; points: number };

/** @example causeKey({ code: 'reply', n: 3 }) // 'reply 3' */
export const causeKey = (cause: Cause): string =>
  cause.code === 'reply'
    ? `reply ${cause.n}`
    : cause.code === 'check'
      ? `check ${cause.check}`
      : cause.code === 'criterion'
        ? `criterion ${cause.title}`
        : cause.code;

const UNMET = new Set(['missed', 'short', 'owed', 'draft']);
const isUnmet = (o: Obligation) => UNMET.has(o.state);
const causeOf = (o: Obligation): Cause =>
  o.kind === 'response' ? { code: 'response' } : { code: 'reply', n: o.n };

/** Points dealt out evenly, to the hundredth, so that they add up to what was dealt. */
function dealt(points: number, causes: readonly Cause[]): Loss[] {
  const hundredths = Math.round(points * 100);
  return causes.map((cause, i) => ({
    cause,
    points:
      (Math.floor((hundredths * (i + 1)) / causes.length) - Math.floor((hundredths * i) / causes.length)) /
      100,
  }));
}

function ofCriterion(
  c: Criterion,
  lost: number,
  { obligations }: Pick<Balance, 'obligations'>,
  asked: readonly CheckId[],
): Loss[] {
  const response = obligations.find((o) => o.kind === 'response');
  const unmet = c.replies
    ? obligations.filter((o) => o.kind === 'reply' && isUnmet(o)).map(causeOf)
    : response && response.post === null && isUnmet(response)
      ? [causeOf(response)]
      : c.checks
          .filter((check) => asked.includes(check) && response?.unmet.includes(check))
          .map((check): Cause => ({ code: 'check', check }));
  return dealt(lost, unmet.length ? unmet : [{ code: 'criterion', title: c.title }]);
}

/**
 * By what the points were lost that a mark has less than the full one: they add up to exactly that. What is counted explains first (a
 * missing reply, an unmet check), the criterion's own name where nothing of the kind does.
 *
 * @param asked the checks that the brief asks for
 * @example a rubric's criterion about replies two points down, the third reply missing: [{ cause: { code: 'reply', n: 3 }, points: 2 }]
 */
export function lossesOf(
  scheme: Scheme,
  mark: Mark,
  late: Late | null,
  balance: Pick<Balance, 'obligations'>,
  asked: readonly CheckId[],
): Loss[] {
  const score = scoreOf(scheme, mark, late);
  if (score.points === null || score.of === null || score.earned === null) return [];
  const lost = roundPoints(score.of - score.points);
  if (lost <= 0) return [];
  if (mark.override) return [{ cause: { code: 'judged' }, points: lost }];
  const parts: Loss[] =
    scheme.by === 'rubric'
      ? scheme.rubric.criteria.flatMap((c) => {
          const best = Math.max(...c.levels.map((l) => l.points));
          const given = c.levels[mark.levels[c.id] ?? -1]?.points ?? 0;
          return best > given ? ofCriterion(c, roundPoints(best - given), balance, asked) : [];
        })
      : score.of > score.earned
        ? dealt(
            roundPoints(score.of - score.earned),
            balance.obligations.some(isUnmet)
              ? balance.obligations.filter(isUnmet).map(causeOf)
              : [{ code: 'judged' }],
          )
        : [];
  // Whoever was given more than the full mark loses to the late rule only what is under it.
  const byLate = roundPoints(lost - sumPoints(parts.map((p) => p.points)));
  return together([...parts, { cause: { code: 'late' }, points: byLate }]);
}

/**
 * Losses of one cause as one, the dearest first.
 * @example two criteria that lost 1 each by the sources: one loss of 2
 */
export function together(losses: readonly Loss[]): Loss[] {
  const byKey = new Map<string, Loss>();
  for (const { cause, points } of losses) {
    const key = causeKey(cause);
    byKey.set(key, { cause, points: sumPoints([byKey.get(key)?.points ?? 0, points]) });
  }
  return [...byKey.entries()]
    .sort(([a, x], [b, y]) => y.points - x.points || (a < b ? -1 : 1))
    .map(([, loss]) => loss)
    .filter((l) => l.points > 0);
}

/** What cost most over several discussions: its points, in how many of them, and all that was lost. */
export type Dearest = Loss & { in: number; of: number; lost: number };

/**
 * What cost most over the marked discussions of a course; null where nothing was lost.
 * @param marked the losses of each marked discussion
 * @example the third reply 9 of 14 points, in 4 of 5: { cause: { code: 'reply', n: 3 }, points: 9, in: 4, of: 5, lost: 14 }
 */
export function costMost(marked: readonly (readonly Loss[])[]): Dearest | null {
  const [first] = together(marked.flat());
  if (!first) return null;
  const key = causeKey(first.cause);
  return {
    ...first,
    in: marked.filter((losses) => losses.some((l) => causeKey(l.cause) === key)).length,
    of: marked.length,
    lost: sumPoints(marked.flat().map((l) => l.points)),
  };
}
