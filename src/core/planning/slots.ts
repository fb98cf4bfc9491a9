import { instant, type Instant } from '../ids';

export type Span = { start: Instant; end: Instant };

/** Time is planned in quarters of an hour: finer would pretend to know more than an estimate does. */
export const SLOT_MINUTES = 15;
export const SLOT_MS = SLOT_MINUTES * 60_000;

/**
 * How many slots a task of so many minutes takes.
 * @example slotsFor(20) // 2
 */
export const slotsFor = (minutes: number) => Math.max(1, Math.ceil(minutes / SLOT_MINUTES));

/** The grid of slots between a moment and a horizon; slot 0 is the first that begins at or after the moment. */
export type Grid = { start: Instant; count: number };

/** @example from 10:05 to 11:00: a grid that starts at 10:15 and has three slots */
export function gridOf(now: Instant, horizon: Instant): Grid {
  const start = instant(Math.ceil(now / SLOT_MS) * SLOT_MS);
  return { start, count: Math.max(0, Math.floor((horizon - start) / SLOT_MS)) };
}

/** @example slotStart(grid, 0) // grid.start */
export const slotStart = (grid: Grid, slot: number) => instant(grid.start + slot * SLOT_MS);

/**
 * Whether each slot of a grid is free of all spans. A span that only touches a slot's edge leaves it free.
 * @example freeSlots(grid, []) // true for each
 */
export function freeSlots(grid: Grid, busy: readonly Span[]): boolean[] {
  const free = Array.from({ length: grid.count }, () => true);
  for (const { start, end } of busy) {
    if (end <= start) continue;
    const first = Math.max(0, Math.floor((start - grid.start) / SLOT_MS));
    const last = Math.min(grid.count - 1, Math.ceil((end - grid.start) / SLOT_MS) - 1);
    for (let i = first; i <= last; i += 1) free[i] = false;
  }
  return free;
}
