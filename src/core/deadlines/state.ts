import type { Instant } from '../ids';
import type { Schedule } from './schedule';

export const DISCUSSION_STATES = ['upcoming', 'open', 'closing', 'late', 'closed'] as const;
export type DiscussionState = (typeof DISCUSSION_STATES)[number];

export const CLOSING_MS = 24 * 3_600_000;

/**
 * Where a discussion stands at a moment. `unmet` names what a student still owes in it; left out, for staff, the state follows
 * the deadlines alone. Nothing is closing or late for a student who owes nothing: to them it is open until it closes.
 *
 * - `late`: something owed is past its deadline, and the late rule still takes it.
 * - `closing`: the next deadline that matters is under 24 hours away.
 *
 * @example all done, the day after the replies were due, late work taken for a week // 'open'
 */
export function discussionState(
  schedule: Schedule,
  now: Instant,
  unmet: { response: boolean; replies: boolean } = { response: true, replies: true },
): DiscussionState {
  if (now < schedule.opens) return 'upcoming';
  if (now >= schedule.closes) return 'closed';
  if (!unmet.response && !unmet.replies) return 'open';
  const owed = [
    ...(unmet.response ? [schedule.response] : []),
    ...(unmet.replies ? [schedule.replies] : []),
  ].filter((d) => now < d.closes);
  if (owed.some((d) => now >= d.due)) return 'late';
  const next = owed.length ? Math.min(...owed.map((d) => d.due)) : schedule.replies.due;
  if (now >= next) return 'late';
  return next - now < CLOSING_MS ? 'closing' : 'open';
}
