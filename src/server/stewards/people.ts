import { z } from 'zod';
import type { PeopleList, PersonPage } from '@/contract/stewards';
import { courseId, personId, type Role } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import {
  account,
  endAccount,
  heldStewards,
  peopleList,
  reopenAccount,
  setEnrolment,
  setSteward,
} from '@/db/queries/accounts';
import { enrolmentsOf, leaveCourse } from '@/db/queries/enrolments';
import { hostedCourse, hostedCourses } from '@/db/queries/hosted-courses';
import { openInvitations } from '@/db/queries/invitations';
import { hasSecondFactor } from '@/db/queries/second-factors';
import { endSessions, sessionsOf } from '@/db/queries/sessions';
import { logSteward } from '@/db/queries/steward-log';
import type { NotFound } from '../access/enter';
import type { Deps } from '../deps';
import type { Steward } from './enter';
import { takeSecondFactorAway } from '../ways-in/second-factor';
import type { FileStore } from '../files/store';
import { forget } from '../people/leaving';
import { lineOf } from './invitation-line';

const ON_A_PAGE = 50;
const INVITED_SHOWN = 100;

/** Everybody with an account, found by words of a name or address, and whoever was invited and has not come yet. */
export async function peoplePage(deps: Deps, asked: { words: string; page: number }): Promise<PeopleList> {
  const [{ people, total }, invited] = await Promise.all([
    peopleList(deps.db, { ...asked, size: ON_A_PAGE }),
    openInvitations(deps.db, null, INVITED_SHOWN),
  ]);
  return {
    words: asked.words,
    page: asked.page,
    pages: Math.max(1, Math.ceil(total / ON_A_PAGE)),
    total,
    people,
    invitations: invited.map(lineOf),
  };
}

/** One person: who they are, where they are and in which role. Nothing of what they wrote. */
export async function personPage(
  deps: Deps,
  steward: Steward,
  id: string,
): Promise<Result<PersonPage, NotFound>> {
  const person = await account(deps.db, personId(id));
  if (!person) return fail({ code: 'not-found' });
  const [courses, all, sessions, second] = await Promise.all([
    enrolmentsOf(deps.db, person.id),
    hostedCourses(deps.db),
    sessionsOf(deps.db, person.id, deps.now),
    hasSecondFactor(deps.db, person.id),
  ]);
  return ok({
    id: person.id,
    name: person.name,
    email: person.email,
    steward: person.steward,
    ended: person.ended,
    me: person.id === steward.id,
    demo: person.demo,
    signedIn: sessions.length,
    second,
    courses,
    others: all
      .filter((c) => !courses.some((o) => o.id === c.id))
      .map(({ id: course, code, title }) => ({ id: course, code, title })),
  });
}

export const personActSchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('role'),
    course: z.uuid(),
    role: z.enum(['student', 'instructor', 'assistant', 'observer', 'none']),
  }),
  z.object({ act: z.enum(['steward', 'no-steward', 'end', 'reopen', 'sign-out', 'no-second']) }),
]);
export type PersonAct = z.output<typeof personActSchema>;
export type PersonActFailure = { code: 'not-found' } | { code: 'last-steward' } | { code: 'has-shared' };

/** Erases an account for good that was ended before. Who it was is logged nowhere. */
export async function forgetPerson(
  deps: Deps & { files: FileStore },
  steward: Steward,
  id: string,
): Promise<Result<null, { code: 'not-found' } | { code: 'not-ended' } | { code: 'last-steward' }>> {
  const person = await account(deps.db, personId(id));
  if (!person) return fail({ code: 'not-found' });
  if (person.ended === null) return fail({ code: 'not-ended' });
  const done = await forget(deps, person.id);
  if (done.ok) await logSteward(deps.db, { steward: steward.id, act: 'forgotten', now: deps.now });
  return done;
}

/** What a steward does about a person: roles, the stewardship, the account, signing out everywhere. Each act is logged with it. */
export async function actOnPerson(
  deps: Deps,
  steward: Steward,
  id: string,
  act: PersonAct,
): Promise<Result<null, PersonActFailure>> {
  return deps.db.transaction(async (tx) => {
    // Held before anything else, so that two stewards never take each other's stewardship at once.
    const stewards = await heldStewards(tx);
    const person = await account(tx, personId(id));
    if (!person) return fail({ code: 'not-found' as const });
    const isLast = stewards.length === 1 && stewards[0] === person.id;
    const log = (
      what: Parameters<typeof logSteward>[1]['act'],
      more: { course?: string; role?: Role } = {},
    ) =>
      logSteward(tx, {
        steward: steward.id,
        act: what,
        person: person.id,
        course: more.course ? courseId(more.course) : null,
        detail: more.role ? { role: more.role } : {},
        now: deps.now,
      });
    switch (act.act) {
      case 'role': {
        const course = await hostedCourse(tx, courseId(act.course));
        if (!course) return fail({ code: 'not-found' as const });
        if (act.role === 'none') {
          if (!(await leaveCourse(tx, course.id, person.id))) return fail({ code: 'has-shared' as const });
          await log('role-taken', { course: course.id });
        } else {
          await setEnrolment(tx, course.id, person.id, act.role);
          await log('role-given', { course: course.id, role: act.role });
        }
        return ok(null);
      }
      case 'steward':
        await setSteward(tx, person.id, true);
        await log('steward-made');
        return ok(null);
      case 'no-steward':
        if (isLast) return fail({ code: 'last-steward' as const });
        await setSteward(tx, person.id, false);
        await log('steward-ended');
        return ok(null);
      case 'end':
        if (isLast) return fail({ code: 'last-steward' as const });
        await endAccount(tx, person.id, deps.now);
        await endSessions(tx, person.id, 'all');
        await log('account-ended');
        return ok(null);
      case 'reopen':
        await reopenAccount(tx, person.id);
        await log('account-reopened');
        return ok(null);
      case 'sign-out':
        await endSessions(tx, person.id, 'all');
        await log('signed-out');
        return ok(null);
      case 'no-second':
        if (await takeSecondFactorAway(deps, tx, person)) await log('second-factor-taken');
        return ok(null);
    }
  });
}
