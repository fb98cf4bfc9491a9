import { readFileSync } from 'node:fs';

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
