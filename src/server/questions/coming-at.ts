import { instantOf } from '@/core/deadlines/wallclock';
import type { Instant } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';

export type NoTime = { code: 'no-such-time' };

/** A moment that is to come, by a course's clock. */
export function comingAt(now: Instant, zone: string, wall: string): Result<Instant, NoTime> {
  try {
    const at = instantOf(wall, zone);
    return at > now ? ok(at) : fail({ code: 'no-such-time' });
  } catch (error) {
    if (error instanceof RangeError) return fail({ code: 'no-such-time' });
    throw error;
  }
}
