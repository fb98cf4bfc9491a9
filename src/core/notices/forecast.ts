import type { Instant } from '../ids';
import type { NoticeKind, Way } from './kinds';
import { wayOf, type NoticeRules } from './rules';
import { dueAt } from './when';

/** Something that was told of, as far as it says when a mail about it would leave. */
export type Past = { kind: NoticeKind; at: Instant; chosen: readonly (Way | null)[] };

export type Forecast = {
  /** Mails a week, rounded; half a mail is one. */
  aWeek: number;
  weeks: number;
  /** Of all these weeks: mails at once, notices that were gathered, and into how many mails. */
  once: number;
  gathered: number;
  into: number;
  /** Notices that quiet hours move. */
  moved: number;
};

/**
 * How many mails a rule means, by what was told of in some weeks: what is due in one moment is one mail.
 *
 * @param past what was told of, in any order
 * @example nothing told of in four weeks // 0 mails a week
 */
export function forecast(past: readonly Past[], weeks: number, rules: NoticeRules, zone: string): Forecast {
  const moments = new Map<Instant, boolean>();
  let gathered = 0;
  let moved = 0;
  for (const { kind, at, chosen } of past) {
    const way = wayOf(kind, rules, chosen);
    const due = dueAt(way, at, rules, zone);
    if (due === null) continue;
    const bundled = way !== 'once';
    if (bundled) gathered += 1;
    else if (due !== at) moved += 1;
    moments.set(due, (moments.get(due) ?? false) || bundled);
  }
  const into = [...moments.values()].filter(Boolean).length;
  return {
    aWeek: Math.round(moments.size / Math.max(1, weeks)),
    weeks,
    once: moments.size - into,
    gathered,
    into,
    moved,
  };
}
