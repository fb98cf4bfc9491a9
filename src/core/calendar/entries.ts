import type { Balance, ObligationState } from '../counting/types';
import type { Schedule } from '../deadlines/schedule';
import { wallClockAt, type WallClock } from '../deadlines/wallclock';
import { instant, type Instant } from '../ids';

/** One thing a discussion puts into a calendar. */
export type DiscussionEntry = {
  kind: 'opens' | 'response' | 'replies' | 'closes';
  /** The moment shown, in the course's zone and as an instant. */
  wall: WallClock;
  at: Instant;
  extended: boolean;
  /** The obligations that this deadline is about; empty for openings and closings, and for staff. */
  states: ObligationState[];
  /** Nothing can be shared for it any more. */
  over: boolean;
};

const MINUTE_MS = 60_000;

/**
 * The calendar entries of a discussion: when it opens, one for each of its two deadlines (each only where it
 * is asked for), and when it closes, where late days make that another moment than its last deadline.
 *
 * @example a discussion of one response and three replies has three entries: its opening and its two deadlines
 */
export function discussionEntries(
  schedule: Schedule,
  ledger: Balance | null,
  asked: { response: boolean; replies: number },
  now: Instant,
): DiscussionEntry[] {
  const { zone, opens, response, replies, closes } = schedule;
  const of = (kind: 'response' | 'reply') =>
    (ledger?.obligations ?? []).filter((o) => o.kind === kind).map((o) => o.state);
  const deadline = (kind: 'response' | 'replies', d: typeof response): DiscussionEntry => ({
    kind,
    wall: d.wall,
    at: instant(d.due - d.graceMinutes * MINUTE_MS - MINUTE_MS),
    extended: d.movedFrom !== null,
    states: of(kind === 'response' ? 'response' : 'reply'),
    over: now >= d.closes,
  });
  const last = Math.max(response.due, asked.replies > 0 ? replies.due : 0);
  const end = instant(closes - MINUTE_MS);
  return [
    {
      kind: 'opens',
      wall: wallClockAt(opens, zone),
      at: opens,
      extended: false,
      states: [],
      over: now >= opens,
    },
    ...(asked.response ? [deadline('response', response)] : []),
    ...(asked.replies > 0 ? [deadline('replies', replies)] : []),
    ...(closes > last
      ? [
          {
            kind: 'closes' as const,
            wall: wallClockAt(end, zone),
            at: end,
            extended: false,
            states: [],
            over: now >= closes,
          },
        ]
      : []),
  ];
}

export type EntryStatus =
  | { code: 'nothing-owed' }
  | { code: 'done' }
  | { code: 'owed'; n: number }
  | { code: 'missed'; n: number }
  | { code: 'short'; n: number };

/**
 * How what a deadline is about stands: still owed (a short post may be mended), done, missed, or short for good.
 * @example entryStatus({ states: ['owed', 'counted'], over: false }) // { code: 'owed', n: 1 }
 */
export function entryStatus(entry: Pick<DiscussionEntry, 'states' | 'over'>): EntryStatus {
  const { states, over } = entry;
  if (states.length === 0) return { code: 'nothing-owed' };
  const count = (...some: ObligationState[]) => states.filter((s) => some.includes(s)).length;
  const owed = count('owed', 'draft', 'short');
  if (owed && !over) return { code: 'owed', n: owed };
  const missed = count('missed');
  if (missed) return { code: 'missed', n: missed };
  return owed ? { code: 'short', n: owed } : { code: 'done' };
}
