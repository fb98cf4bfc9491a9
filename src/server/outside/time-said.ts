import { instantOf } from '@/core/deadlines/wallclock';
import type { Instant } from '@/core/ids';

/** When something was posted elsewhere, as a wall clock of a zone showed it; not known is now, and what would lie ahead is now, too. */
export function timeSaid(now: Instant, zone: string, said: string | null | undefined): Instant {
  if (!said) return now;
  try {
    return Math.min(instantOf(said, zone), now) as Instant;
  } catch (error) {
    // A time that is none is like one that was not said: it only orders the posts.
    if (error instanceof RangeError) return now;
    throw error;
  }
}
