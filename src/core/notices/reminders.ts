import type { Instant } from '../ids';
import type { NoticeRules } from './rules';
import { afterQuiet, beforeQuiet } from './when';

export type Stop = { of: 'response' | 'replies'; due: Instant };
export type Reminder = Stop & { minutes: number; at: Instant };

/**
 * When somebody is to be reminded of deadlines: so many minutes before each, as they chose. One that falls into quiet hours comes after them, and before them where
 * the deadline would have passed. Those before the discussion opened, and any that would come with a nearer one, are left out. In order of time.
 *
 * @param stops what is owed, and until when (the first moment after)
 * @example a deadline on Thursday 23:59 with 3 days and 5 hours // Monday 23:59 waits for Tuesday 07:00; Thursday 18:59
 */
export function remindersOf(
  stops: readonly Stop[],
  opens: Instant,
  rules: NoticeRules,
  zone: string,
): Reminder[] {
  const all = stops.flatMap((stop) =>
    rules.before.flatMap((minutes): Reminder[] => {
      const wanted = (stop.due - minutes * 60_000) as Instant;
      const after = afterQuiet(wanted, rules, zone);
      const at = after < stop.due ? after : beforeQuiet(wanted, rules, zone);
      return at >= opens && at < stop.due ? [{ ...stop, minutes, at }] : [];
    }),
  );
  return all
    .filter((r) => !all.some((o) => o.of === r.of && o.at === r.at && o.minutes < r.minutes))
    .sort((a, b) => a.at - b.at);
}
