import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { personId, type PersonId } from '@/core/ids';
import { personNameSchema } from '@/core/people/naming';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { accountByAddress, enrolNew, insertAccount, setSteward } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import {
  acceptInvitationsTo,
  invitation,
  openInvitationsTo,
  type InvitationRecord,
} from '@/db/queries/invitations';
import { logSteward } from '@/db/queries/steward-log';
import type { Deps } from '../deps';
import { begin } from '../sessions/sessions';
import { hold, type KeyFailure } from './keys';
import { newPassword, type PasswordFailure } from './password';
import { timeZoneSchema } from './time-zone';

export type InvitedTo = {
  college: string;
  name: string;
  email: string;
  by: string | null;
  /** Everything that opens with it. */
  places: { course: { code: string; title: string } | null; role: string | null }[];
  /** Somebody has an account under this address already. */
  account: boolean;
};

type Failure = KeyFailure | { code: 'taken-back' } | { code: 'accepted' } | { code: 'ended' };

async function held(tx: Db, deps: Deps, key: string) {
  const found = await hold(tx, deps.now, key, 'invitation');
  if (!found.ok) return found;
  const asked = found.value.invitation === null ? null : await invitation(tx, found.value.invitation);
  if (!asked) return fail({ code: 'key-unknown' as const });
  if (asked.takenBack) return fail({ code: 'taken-back' as const });
  if (asked.accepted) return fail({ code: 'accepted' as const });
  return ok({ asked, spend: found.value.spend });
}

const placeOf = (i: InvitationRecord) => ({
  course: i.course && { code: i.course.code, title: i.course.title },
  role: i.steward ? 'steward' : (i.role ?? 'alone'),
});

/** What an invitation's link opens, before anything is accepted. */
export async function lookAtInvitation(deps: Deps, key: string): Promise<Result<InvitedTo, Failure>> {
  return deps.db.transaction(async (tx) => {
    const found = await held(tx, deps, key);
    if (!found.ok) return found;
    const { asked } = found.value;
    const all = await openInvitationsTo(tx, asked.email);
    return ok({
      college: (await college(tx))?.name ?? 'Pulpit',
      name: asked.name,
      email: asked.email,
      by: asked.by,
      places: all.map(placeOf),
      account: (await accountByAddress(tx, asked.email)) !== null,
    });
  });
}

export const acceptingSchema = z.object({
  name: personNameSchema,
  password: z.string().max(1_000),
  timeZone: timeZoneSchema.nullable().catch(null),
});

/** Lets a person into everything that somebody invited their address to. */
export async function openPlaces(tx: Db, deps: Deps, email: string, person: PersonId) {
  for (const { course, role, steward, by } of await acceptInvitationsTo(tx, email, person, deps.now)) {
    if (course && role) await enrolNew(tx, course, person, role);
    if (!steward) continue;
    await setSteward(tx, person, true);
    if (by) await logSteward(tx, { steward: by, act: 'steward-made', person, now: deps.now });
  }
}

/**
 * Accepts an invitation: an account for the address it went to, and everything this address is invited to. The link shows that the
 * address is theirs, so whoever has an account under it is let in without another password, and signs in as ever.
 */
export async function acceptInvitation(
  deps: Deps,
  key: string,
  said: z.output<typeof acceptingSchema>,
  agent: string,
): Promise<Result<{ token: string; maxAgeSeconds: number } | null, Failure | PasswordFailure>> {
  return deps.db.transaction(async (tx) => {
    const found = await held(tx, deps, key);
    if (!found.ok) return found;
    const { asked, spend } = found.value;
    const account = await accountByAddress(tx, asked.email);
    if (account?.ended) return fail({ code: 'ended' as const });
    if (account) {
      await openPlaces(tx, deps, asked.email, account.id);
      await spend();
      return ok(null);
    }
    const hash = await newPassword(tx, said.password, { name: said.name, email: asked.email });
    if (!hash.ok) return hash;
    const id = personId(randomUUID());
    await insertAccount(tx, {
      id,
      name: said.name,
      email: asked.email,
      passwordHash: hash.value,
      timeZone: said.timeZone ?? (await college(tx))?.timeZone ?? 'UTC',
      steward: false,
      now: deps.now,
    });
    await openPlaces(tx, deps, asked.email, id);
    await spend();
    return ok(await begin({ db: tx, now: deps.now }, id, agent));
  });
}
