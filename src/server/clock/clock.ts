import { instant, type Instant } from '@/core/ids';
import type { Db } from '@/db/connection';
import { clockOffset, latestMoment, setClock } from '@/db/queries/clock';

/** The one source of time: the machine's clock, moved by the demo's offset where there is a demo. */
export type Clock = { real: () => number };

export const timeWith = (clock: Clock, offset: number): Instant => instant(clock.real() + offset);

export const currentTime = async (db: Db, clock: Clock) => timeWith(clock, await clockOffset(db));

/** Moves the demo's clock; from then on it runs on. */
export const moveClock = (db: Db, clock: Clock, to: Instant) => setClock(db, to, clock.real());

/**
 * Starts the demo's clock again after it stood still: at the given moment, or where things last happened, so that
 * a demo left alone for a week is still in the middle of its week and nothing lies in its future.
 */
export async function resumeClock(db: Db, clock: Clock, start: Instant | null): Promise<void> {
  const latest = await latestMoment(db);
  const at = start ?? latest;
  if (at !== null) await moveClock(db, clock, at);
}
