import type { Balance } from '../counting/types';
import type { Schedule } from '../deadlines/schedule';
import type { Instant } from '../ids';

/** A stretch of the week rail, in percent of the week from its first moment. */
export type Stretch = {
  kind: 'response' | 'replies';
  from: number;
  to: number;
  done: boolean;
  label: RailLabel;
};
export type RailLabel =
  | { code: 'response-owed' }
  | { code: 'response-shared'; at: Instant }
  | { code: 'response-missed' }
  | { code: 'replies-owed'; n: number }
  | { code: 'replies-done' }
  | { code: 'replies-missed'; n: number };
export type Stop = { at: number; wall: string; instant: Instant; kind: 'response' | 'replies' };
export type Lane = { stretches: Stretch[]; stops: Stop[] };

/**
 * Where a moment lies in a span, in percent, held within it.
 * @example percentOf(5, 0, 10) // 50
 */
export function percentOf(at: number, from: number, to: number): number {
  return Math.min(100, Math.max(0, ((at - from) / (to - from)) * 100));
}

/**
 * One course's lane of the week rail: the stretch for the response up to when it was shared or is due, the stretch for
 * the replies after it, and a stop at each deadline that falls in the week.
 *
 * @example a response due on Thursday and replies on Sunday: two stretches and two stops
 */
export function lane(input: {
  schedule: Schedule;
  ledger: Balance;
  from: Instant;
  to: Instant;
  now: Instant;
}): Lane {
  const { schedule, ledger, from, to, now } = input;
  const pct = (at: number) => percentOf(at, from, to);
  const [response, ...replies] = ledger.obligations;
  if (!response) return { stretches: [], stops: [] };
  const shared = response.state === 'counted' || response.state === 'late' || response.state === 'short';
  const turn = shared && response.at !== null ? response.at : schedule.response.due;
  const filled = replies.filter((r) => r.state === 'counted' || r.state === 'late');
  const lost = replies.filter((r) => r.state === 'missed').length;
  const repliesDone = replies.length > 0 && filled.length === replies.length;
  const lastReply = Math.max(...filled.map((r) => r.at ?? 0), turn);
  const stretches: Stretch[] = [
    {
      kind: 'response' as const,
      from: pct(schedule.opens),
      to: pct(turn),
      done: shared,
      label: shared
        ? { code: 'response-shared' as const, at: turn }
        : now >= schedule.response.closes
          ? { code: 'response-missed' as const }
          : { code: 'response-owed' as const },
    },
    ...(replies.length
      ? [
          {
            kind: 'replies' as const,
            from: pct(turn),
            to: pct(repliesDone ? lastReply : schedule.replies.due),
            done: repliesDone,
            label: repliesDone
              ? { code: 'replies-done' as const }
              : lost
                ? { code: 'replies-missed' as const, n: lost }
                : { code: 'replies-owed' as const, n: replies.length - filled.length },
          },
        ]
      : []),
  ].filter((s) => s.to > s.from);
  const stops = [
    { kind: 'response' as const, deadline: schedule.response, over: shared },
    { kind: 'replies' as const, deadline: schedule.replies, over: repliesDone },
  ]
    .filter(({ deadline, over }) => !over && deadline.due > from && deadline.due <= to + 60_000)
    .map(({ kind, deadline }) => ({
      kind,
      at: pct(deadline.due),
      wall: deadline.wall.slice(11),
      instant: deadline.due,
    }));
  return { stretches, stops };
}
