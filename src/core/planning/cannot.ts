import { instant } from '../ids';
import { plan, type PlanInput, type Sitting, type Task } from './plan';
import type { Span } from './slots';

export type BusyTime = Span & { title: string };

/** Something that would have to give for all of it to fit: each was tried, and each alone is enough. */
export type Give =
  | { code: 'longer-sittings'; minutes: number }
  | { code: 'less-sleep'; minutes: number }
  | { code: 'busy'; title: string; start: number; end: number };

export type Planned = {
  sittings: Sitting[];
  /** Tasks there is no room for; empty when everything fits. */
  left: string[];
  gives: Give[];
};

export type FullInput = Omit<PlanInput, 'busy'> & { nights: readonly Span[]; busy: readonly BusyTime[] };

const SITTINGS_TRIED = [90, 120, 180, 240];
const SLEEP_TRIED = [60, 120];
/** As many of the busy times before the last deadline are tried, the longest first. */
const BUSY_TRIED = 12;

const fits = (input: FullInput, over: Partial<FullInput> = {}) => {
  const { now, tasks, limits, nights, busy } = { ...input, ...over };
  return plan({ now, tasks, limits, busy: [...nights, ...busy] });
};

function wouldGive(input: FullInput): Give[] {
  const gives: Give[] = [];
  const minutes = SITTINGS_TRIED.find(
    (m) => m > input.limits.sittingMinutes && fits(input, { limits: { ...input.limits, sittingMinutes: m } }),
  );
  if (minutes) gives.push({ code: 'longer-sittings', minutes });
  const sleep = SLEEP_TRIED.find((m) =>
    fits(input, {
      nights: input.nights.map((n) => ({
        start: instant(Math.min(n.start + m * 60_000, n.end)),
        end: n.end,
      })),
    }),
  );
  if (sleep) gives.push({ code: 'less-sleep', minutes: sleep });
  const horizon = Math.max(...input.tasks.map((t) => t.deadline));
  const candidates = input.busy
    .filter((b) => b.end > input.now && b.start < horizon)
    .sort((a, b) => b.end - b.start - (a.end - a.start) || a.start - b.start)
    .slice(0, BUSY_TRIED);
  for (const { title, start, end } of candidates) {
    if (
      fits(input, { busy: input.busy.filter((b) => b.start !== start || b.end !== end || b.title !== title) })
    ) {
      gives.push({ code: 'busy', title, start, end });
    }
  }
  return gives;
}

/**
 * A plan for everything, or, where that cannot be, a plan for as much as fits (tasks are taken by their deadlines,
 * and one that does not fit beside those already taken is left), with what would have to give.
 *
 * @example two tasks of three hours each in four free hours: the first is planned, the second is left
 */
export function planOrSay(input: FullInput): Planned {
  const all = fits(input);
  if (all) return { sittings: all, left: [], gives: [] };
  const taken: Task[] = [];
  const left: string[] = [];
  let sittings: Sitting[] = [];
  for (const task of [...input.tasks].sort((a, b) => a.deadline - b.deadline)) {
    const more = fits(input, { tasks: [...taken, task] });
    if (more) {
      taken.push(task);
      sittings = more;
    } else left.push(task.id);
  }
  return { sittings, left, gives: wouldGive(input) };
}
