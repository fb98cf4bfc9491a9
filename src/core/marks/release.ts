import type { Instant } from '../ids';
import { canonicalJson } from '../posts/canonical';
import { saysSomething } from './comment';
import { isBegun, scoreOf, type Late, type Mark, type Scheme } from './mark';

/** What a student saw before a mark was changed. */
export type ReleasedBefore = {
  points: number | null;
  of: number | null;
  verdict: Mark['verdict'];
  releasedAt: Instant;
};

/** A mark with all that it comes from. */
export type Given = { mark: Mark; scheme: Scheme; late: Late | null };

/** Whether two marks say the same to their student. */
const saysTheSame = (a: Given, b: Given): boolean => JSON.stringify(told(a)) === JSON.stringify(told(b));
const told = ({ mark, scheme, late }: Given) => {
  const { points, of, taken } = scoreOf(scheme, mark, late);
  const levels = scheme.by === 'rubric' ? scheme.rubric.criteria.map((c) => mark.levels[c.id] ?? null) : null;
  const { verdict, override, remark, more, comments } = mark;
  return [
    points,
    of,
    taken,
    levels,
    scheme.by === 'verdict' ? verdict : null,
    override?.reason ?? null,
    remark.trim(),
    more ? canonicalJson(more) : null,
    comments
      .filter(saysSomething)
      .map(({ id, post, anchor, body, instead }) => [id, post, anchor.exact, body, instead]),
  ];
};

/**
 * Whether a mark that was written can be released: nothing of it is open, and its student would see something other than they do.
 *
 * @param seen what the student sees now; null where nothing was released to them
 * @example of a rubric with one criterion unsaid: 'open'; written and never released: 'new'; then a level changed: 'changed'
 */
export function releasable(written: Given, seen: Given | null): 'open' | 'same' | 'new' | 'changed' {
  if (scoreOf(written.scheme, written.mark, written.late).open > 0) return 'open';
  if (seen) return saysTheSame(written, seen) ? 'same' : 'changed';
  return written.scheme.by === 'remarks' && !isBegun(written.mark) ? 'open' : 'new';
}

/** What a student is told stood there before. @example 17 of 20, released on Tuesday */
export const beforeOf = (given: Given, releasedAt: Instant): ReleasedBefore => {
  const { points, of } = scoreOf(given.scheme, given.mark, given.late);
  return { points, of, verdict: given.scheme.by === 'verdict' ? given.mark.verdict : null, releasedAt };
};
