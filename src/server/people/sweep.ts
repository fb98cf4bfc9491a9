import { instant } from '@/core/ids';
import { sweepBrought } from '@/db/queries/brought-marks';
import { sweepHalfWays } from '@/db/queries/half-ways';
import { sweepNotices } from '@/db/queries/notices';
import { sweepKeys } from '@/db/queries/one-time-keys';
import { sweepRosters } from '@/db/queries/rosters';
import { sweepSessions } from '@/db/queries/sessions';
import { sweepTries } from '@/db/queries/sign-in';
import type { Deps } from '../deps';

const DAY_MS = 86_400_000;
/** So long after its last use a browser is signed out. */
export const MOST_IDLE_MS = 14 * DAY_MS;

/**
 * Takes away what lets nobody in any more: sessions that are over, keys that were not used, tables that nobody took; and notices of a term
 * that is long over.
 */
export async function sweepPeople(deps: Pick<Deps, 'db' | 'now'>): Promise<void> {
  await sweepSessions(deps.db, deps.now, instant(deps.now - MOST_IDLE_MS));
  await sweepHalfWays(deps.db, deps.now);
  await sweepKeys(deps.db, instant(deps.now - 30 * DAY_MS));
  await sweepTries(deps.db);
  await sweepRosters(deps.db, instant(deps.now - DAY_MS));
  await sweepNotices(deps.db, instant(deps.now - 200 * DAY_MS));
  await sweepBrought(deps.db, instant(deps.now - DAY_MS));
}
