import { instant, type PersonId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { insertHalfWay, takeHalfWay, type HalfWayRecord, type Step } from '@/db/queries/half-ways';
import type { Deps } from '../deps';
import { hashOf, newToken } from '../secrets/tokens';

const MINUTE_MS = 60_000;
/** So long somebody may take for a step. */
const GOOD_FOR: Record<Step, number> = {
  second: 10 * MINUTE_MS,
  passkey: 5 * MINUTE_MS,
  'new-passkey': 5 * MINUTE_MS,
  'sign-on': 15 * MINUTE_MS,
};

type Here = { db: Db; now: Deps['now'] };

/** Notes that somebody is half way in, and what is expected of them. The token is for their browser alone. */
export async function beginHalfWay(
  deps: Here,
  step: Step,
  person: PersonId | null,
  expected: Readonly<Record<string, string>> = {},
): Promise<string> {
  const token = newToken();
  await insertHalfWay(deps.db, {
    hash: hashOf(token),
    step,
    person,
    expected,
    expires: instant(deps.now + GOOD_FOR[step]),
  });
  return token;
}

/** Takes what was begun with a token: it is of no use again. Null where it is over, was taken, or never was. */
export const finishHalfWay = (deps: Here, step: Step, token: string | null): Promise<HalfWayRecord | null> =>
  token === null ? Promise.resolve(null) : takeHalfWay(deps.db, hashOf(token), step, deps.now);
