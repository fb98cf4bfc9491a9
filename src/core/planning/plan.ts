import { instant, type Instant } from '../ids';
import { freeSlots, gridOf, slotsFor, slotStart, SLOT_MS, type Grid, type Span } from './slots';
import { workingSlots, type Demand } from './working-slots';

/** Something to be done between two moments, in as many pieces as the sittings make of it. */
export type Task = { id: string; minutes: number; release: Instant; deadline: Instant };

export type Limits = { sittingMinutes: number; breakMinutes: number };
export type Piece = { task: string; start: Instant; end: Instant };
export type Sitting = { start: Instant; end: Instant; pieces: Piece[] };

export type PlanInput = { now: Instant; tasks: readonly Task[]; busy: readonly Span[]; limits: Limits };

const HOUR_MS = 3_600_000;
/** Shares of the time left that are kept free before a deadline, at most so many hours, tried in this order. */
const SLACKS = [
  { share: 0.25, mostMs: 12 * HOUR_MS },
  { share: 0.1, mostMs: 3 * HOUR_MS },
  { share: 0, mostMs: 0 },
];

const demandOf = (task: Task, grid: Grid, deadline: Instant): Demand => ({
  from: Math.max(0, Math.ceil((task.release - grid.start) / SLOT_MS)),
  to: Math.min(grid.count, Math.floor((deadline - grid.start) / SLOT_MS)),
  slots: slotsFor(task.minutes),
});

/** Gives each working slot to the task in reach with the earliest deadline, in the given order among equals. */
function dealOut(
  chosen: readonly number[],
  tasks: readonly Task[],
  demands: readonly Demand[],
): Map<number, Task> {
  const left = demands.map((d) => d.slots);
  const dealt = new Map<number, Task>();
  for (const slot of chosen) {
    let best = -1;
    demands.forEach((d, i) => {
      if (!left[i] || d.from > slot || d.to <= slot) return;
      if (best < 0 || d.to < (demands[best]?.to ?? 0)) best = i;
    });
    const task = tasks[best];
    if (!task) continue;
    left[best] = (left[best] ?? 0) - 1;
    dealt.set(slot, task);
  }
  return dealt;
}

/**
 * Working slots as sittings: chosen slots that follow each other are one, and the same task in a row is one piece. A
 * chosen slot that nothing could be dealt to, at the edge of a sitting, falls away; in its middle it is a wait.
 */
function sittingsOf(chosen: readonly number[], dealt: Map<number, Task>, grid: Grid): Sitting[] {
  const sittings: Sitting[] = [];
  let open: Sitting | null = null;
  chosen.forEach((slot, i) => {
    if (slot - 1 !== chosen[i - 1]) open = null;
    const task = dealt.get(slot);
    if (!task) return;
    const start = slotStart(grid, slot);
    const end = instant(start + SLOT_MS);
    if (!open) sittings.push((open = { start, end, pieces: [] }));
    open.end = end;
    const piece = open.pieces[open.pieces.length - 1];
    if (piece && piece.task === task.id && piece.end === start) piece.end = end;
    else open.pieces.push({ task: task.id, start, end });
  });
  return sittings;
}

/**
 * Lays sittings for all tasks: each within its release and deadline, outside of everything busy, none longer than the
 * limit, with a pause between any two, the earliest deadline first. Where time allows, a quarter of what is left is
 * kept free before each deadline. Null when no plan exists on the grid of quarter hours; one is found whenever there is
 * one.
 *
 * @example plan({ tasks: [], … }) // []
 */
export function plan(input: PlanInput): Sitting[] | null {
  const { now, tasks, busy, limits } = input;
  if (tasks.length === 0) return [];
  const horizon = instant(Math.max(...tasks.map((t) => t.deadline)));
  const grid = gridOf(now, horizon);
  const free = freeSlots(grid, busy);
  const rules = {
    sitting: Math.max(1, Math.floor(limits.sittingMinutes / (SLOT_MS / 60_000))),
    pause: slotsFor(limits.breakMinutes),
  };
  for (const slack of SLACKS) {
    const demands = tasks.map((task) => {
      const left = task.deadline - Math.max(now, task.release);
      const kept = Math.min(slack.mostMs, Math.max(0, left * slack.share));
      return demandOf(task, grid, instant(task.deadline - kept));
    });
    const chosen = workingSlots(free, demands, rules);
    if (chosen) return sittingsOf(chosen, dealOut(chosen, tasks, demands), grid);
  }
  return null;
}
