import { readFileSync } from 'node:fs';

/** How often the account of a thread that reads is looked at. */
const LOOK_MS = 100;
/** On a machine that is busy a reading may go on for so much longer before it is given up: nobody waits for ever. */
const PATIENCE_MS = 10_000;

/** A tick of the kernel's accounts, in milliseconds (USER_HZ is 100 on every machine that Linux runs Node on). */
const TICK_MS = 10;

/**
 * How long a thread of this process has had a processor, in milliseconds; null where threads keep no account of their own. What
 * is told by it is how dear a text is, however busy the machine: proc(5), fields 14 and 15 of `stat`.
 */
export function threadTime(thread: number | null): number | null {
  if (thread === null) return null;
  try {
    const stat = readFileSync(`/proc/self/task/${thread}/stat`, 'utf8');
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
 * thread keeps no account, the clock on the wall is its measure.
 *
 * @param timeOf the account, in milliseconds: {@link threadTime} but in tests
 * @returns to be cleared when the reading is done
 */
export function endAfter(
  thread: number | null,
  mostMs: number,
  end: () => void,
  timeOf = threadTime,
): ReturnType<typeof setTimeout> {
  const before = timeOf(thread);
  if (before === null) return setTimeout(end, mostMs);
  let left = mostMs + PATIENCE_MS;
  return setInterval(() => {
    left -= LOOK_MS;
    const now = timeOf(thread);
    if (left <= 0 || now === null || now - before >= mostMs) end();
  }, LOOK_MS);
}
