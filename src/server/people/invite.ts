import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { courseId, type CourseId, type PersonId, type Role } from '@/core/ids';
import { mailAddressSchema, personNameSchema } from '@/core/people/naming';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { accountByAddress, enrolNew, setSteward, type AccountRecord } from '@/db/queries/accounts';
import { hostedCourse } from '@/db/queries/hosted-courses';
import {
  askAgain,
  insertInvitations,
  invitation,
  openInvitationsTo,
  takeInvitationBack,
} from '@/db/queries/invitations';
import { postMail } from '@/db/queries/mails';
import { logSteward } from '@/db/queries/steward-log';
import type { Deps } from '../deps';
import type { Steward } from '../stewards/enter';

export const invitationSchema = z.object({
  name: z.union([z.literal(''), personNameSchema]),
  email: mailAddressSchema,
  /** Into a course in a role, or as a steward. */
  as: z.union([
    z.object({ course: z.uuid(), role: z.enum(['student', 'instructor', 'assistant', 'observer']) }),
    z.object({ steward: z.literal(true) }),
  ]),
});
export type Inviting = z.output<typeof invitationSchema>;

/** What became of an invitation. */
export type Invited = 'invited' | 'let-in' | 'there-already' | 'invited-already' | 'ended';

type Place = { course: CourseId; role: Role } | { steward: true };

/** Gives somebody who has an account what an invitation would have given; false where they have it already. */
async function giveAtOnce(tx: Db, to: AccountRecord, place: Place): Promise<boolean> {
  if ('course' in place) return enrolNew(tx, place.course, to.id, place.role);
  if (to.steward) return false;
  await setSteward(tx, to.id, true);
  return true;
}

/**
 * Invites somebody by mail. Whoever has an account here is let in at once and told of it; whoever is invited to the same place already
 * is not invited twice.
 */
export async function invite(
  deps: Deps,
  steward: Steward,
  { name, email, as }: Inviting,
): Promise<Result<{ code: Invited }, { code: 'not-found' }>> {
  const place: Place = 'course' in as ? { course: courseId(as.course), role: as.role } : { steward: true };
  return deps.db.transaction(async (tx) => {
    if ('course' in place && !(await hostedCourse(tx, place.course))) return fail({ code: 'not-found' });
    const course = 'course' in place ? place.course : null;
    const log = (person: PersonId | null) =>
      logSteward(tx, {
        steward: steward.id,
        act: person === null ? 'invited' : 'steward' in place ? 'steward-made' : 'role-given',
        person,
        course,
        detail: 'role' in place ? { role: place.role } : {},
        now: deps.now,
      });
    const account = await accountByAddress(tx, email);
    if (account) {
      if (account.ended !== null) return ok({ code: 'ended' as const });
      if (!(await giveAtOnce(tx, account, place))) return ok({ code: 'there-already' as const });
      await log(account.id);
      await postMail(tx, {
        id: randomUUID(),
        kind: 'let-in',
        to: account.email,
        about: { person: account.id, course, role: 'role' in place ? place.role : null },
        now: deps.now,
      });
      return ok({ code: 'let-in' as const });
    }
    const open = await openInvitationsTo(tx, email);
    if (open.some((i) => (course === null ? i.steward : i.course?.id === course)))
      return ok({ code: 'invited-already' as const });
    const id = randomUUID();
    await insertInvitations(tx, [
      {
        id,
        name,
        email,
        course,
        role: 'role' in place ? place.role : null,
        steward: 'steward' in place,
        by: steward.id,
        now: deps.now,
      },
    ]);
    await log(null);
    await postMail(tx, {
      id: randomUUID(),
      kind: 'invitation',
      to: email,
      about: { invitation: id },
      now: deps.now,
    });
    return ok({ code: 'invited' as const });
  });
}

type Gone = { code: 'not-found' } | { code: 'accepted' };

/** Sends an invitation once more, with a new link; the link before opens nothing any more. */
export async function inviteAgain(deps: Deps, steward: Steward, id: string): Promise<Result<null, Gone>> {
  return deps.db.transaction(async (tx) => {
    const found = await invitation(tx, id);
    if (!found || found.takenBack) return fail({ code: 'not-found' as const });
    if (found.accepted) return fail({ code: 'accepted' as const });
    await askAgain(tx, id, deps.now);
    await logSteward(tx, {
      steward: steward.id,
      act: 'invited-again',
      course: found.course?.id ?? null,
      now: deps.now,
    });
    await postMail(tx, {
      id: randomUUID(),
      kind: 'invitation',
      to: found.email,
      about: { invitation: id },
      now: deps.now,
    });
    return ok(null);
  });
}

/** Takes an invitation back: its link opens nothing from then on. */
export async function takeBackInvitation(
  deps: Deps,
  steward: Steward,
  id: string,
): Promise<Result<null, Gone>> {
  return deps.db.transaction(async (tx) => {
    const found = await invitation(tx, id);
    if (!found) return fail({ code: 'not-found' as const });
    if ((await takeInvitationBack(tx, id, deps.now)) === 0) return fail({ code: 'accepted' as const });
    await logSteward(tx, {
      steward: steward.id,
      act: 'invitation-taken-back',
      course: found.course?.id ?? null,
      now: deps.now,
    });
    return ok(null);
  });
}
