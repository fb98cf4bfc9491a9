import { readFileSync } from 'node:fs';

/** How often the account of a process that reads is looked at. */
const LOOK_MS = 100;
/** On a machine that is busy a reading may go on for so much longer before it is given up: nobody waits for ever. */
const PATIENCE_MS = 10_000;

/** A tick of the kernel's accounts, in milliseconds (USER_HZ is 100 on every machine that Linux runs Node on). */
const TICK_MS = 10;

/**
 * How long the thread of a process that runs its program has had a processor, in milliseconds; null where the system keeps no such account. What
 * is told by it is how dear a text is, however busy the machine, and not what clearing up and compiling beside it takes: proc(5), fields
 * 14 and 15 of `stat`.
 */
export function processTime(id: number): number | null {
  try {
    const stat = readFileSync(`/proc/${id}/task/${id}/stat`, 'utf8');
    // The name stands in brackets and may hold anything.
    const [user, system] = stat
      .slice(stat.lastIndexOf(')') + 2)
      .split(' ')
      .slice(11, 13)
      .map(Number);
    return user === undefined || system === undefined ? null : (user + system) * TICK_MS;
  } catch {
    return null;
  }
}

/**
 * Ends what has had a processor for longer than it may: a text is dear by what it takes, and not by who else is busy. Where a
 * system keeps no account, the clock on the wall is its measure.
 *
 * @param id the process
 * @param timeOf the account, in milliseconds: {@link processTime} but in tests
 * @returns to be cleared when the reading is done
 */
export function endAfter(
  id: number,
  mostMs: number,
  end: () => void,
  timeOf = processTime,
): ReturnType<typeof setTimeout> {
  const before = timeOf(id);
  if (before === null) return setTimeout(end, mostMs);
  let left = mostMs + PATIENCE_MS;
  return setInterval(() => {
    left -= LOOK_MS;
    const now = timeOf(id);
    // One that is gone has ended by itself, and says so.
    if (left <= 0 || (now !== null && now - before >= mostMs)) end();
  }, LOOK_MS);
}
