import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { CourseOfSteward } from '@/contract/stewards';
import { courseId, courseSlug, personId, type PersonId } from '@/core/ids';
import { storable } from '@/core/document/document';
import { fail, ok, type Result } from '@/core/result';
import { peopleOf } from '@/db/queries/courses';
import { account, enrolNew } from '@/db/queries/accounts';
import {
  courseCode,
  decideJoin,
  hostedCourse,
  hostedCourses,
  insertHostedCourse,
  joinRequests,
  setCourseCode,
  stopCourseCode,
} from '@/db/queries/hosted-courses';
import { leaversOf, setLeavers } from '@/db/queries/leaving';
import { openInvitations } from '@/db/queries/invitations';
import { postMail } from '@/db/queries/mails';
import { logSteward } from '@/db/queries/steward-log';
import type { NotFound } from '../access/enter';
import type { Deps } from '../deps';
import { newCode } from '../secrets/codes';
import { timeZoneSchema } from '../people/time-zone';
import type { Steward } from './enter';
import { lineOf } from './invitation-line';

const INVITED_SHOWN = 200;

export const allCourses = (deps: Deps) => hostedCourses(deps.db);

const line = (most: number) =>
  z
    .string()
    .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
    .pipe(z.string().min(1).max(most));

export const newCourseSchema = z.object({
  // It stands in addresses, so something of it must be a letter or a digit.
  code: line(40).refine((code) => courseSlug(code) !== ''),
  term: z
    .string()
    .max(60)
    .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
    .default(''),
  title: line(200),
  timeZone: timeZoneSchema,
});

/** Makes a course, empty: its staff make its weeks and discussions. */
export async function makeCourse(
  deps: Deps,
  steward: Steward,
  said: z.output<typeof newCourseSchema>,
): Promise<Result<{ course: string }, { code: 'code-taken' }>> {
  return deps.db.transaction(async (tx) => {
    const all = await hostedCourses(tx);
    const id = courseId(randomUUID());
    // The first of a code has its plain name in addresses; another one says which term it is.
    const free = (slug: string) => slug !== '' && !all.some((c) => c.slug === slug);
    const slug = [courseSlug(said.code), courseSlug(`${said.code} ${said.term}`)].find(free);
    if (slug === undefined || !(await insertHostedCourse(tx, { id, slug, ...said })))
      return fail({ code: 'code-taken' as const });
    await logSteward(tx, { steward: steward.id, act: 'course-made', course: id, now: deps.now });
    return ok({ course: id });
  });
}

/** A course as stewards look after it: who is in it, who is invited or asks to come in, and its code. */
export async function coursePage(deps: Deps, id: string): Promise<Result<CourseOfSteward, NotFound>> {
  const course = await hostedCourse(deps.db, courseId(id));
  if (!course) return fail({ code: 'not-found' });
  const [people, invited, code, requests, leavers] = await Promise.all([
    peopleOf(deps.db, course.id),
    openInvitations(deps.db, course.id, INVITED_SHOWN),
    courseCode(deps.db, course.id),
    joinRequests(deps.db, course.id),
    leaversOf(deps.db, course.id),
  ]);
  return ok({
    course,
    people: people.map((p) => ({ id: p.id, name: p.name, email: p.email ?? '', role: p.role })),
    invitations: invited.map(lineOf),
    code: code && { code: code.code, approval: code.approval },
    requests,
    leavers,
  });
}

export const courseActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('code'), approval: z.boolean() }),
  z.object({ act: z.literal('stop-code') }),
  z.object({ act: z.literal('leavers'), leavers: z.enum(['stay', 'withdraw']) }),
  z.object({ act: z.enum(['let-in', 'refuse']), person: z.uuid() }),
]);
export type CourseAct = z.output<typeof courseActSchema>;

/** What a steward does about a course: its code, who asks to be let in, and what becomes of posts when their writers leave. */
export async function actOnCourse(
  deps: Deps,
  steward: Steward,
  id: string,
  act: CourseAct,
): Promise<Result<null, NotFound>> {
  return deps.db.transaction(async (tx) => {
    const course = await hostedCourse(tx, courseId(id));
    if (!course) return fail({ code: 'not-found' as const });
    const log = (what: Parameters<typeof logSteward>[1]['act'], person: PersonId | null = null) =>
      logSteward(tx, {
        steward: steward.id,
        act: what,
        course: course.id,
        person,
        now: deps.now,
      });
    switch (act.act) {
      case 'code':
        await setCourseCode(tx, { course: course.id, code: newCode(3), approval: act.approval }, deps.now);
        await log('course-code');
        return ok(null);
      case 'stop-code':
        await stopCourseCode(tx, course.id);
        await log('course-code-stopped');
        return ok(null);
      case 'leavers':
        await setLeavers(tx, course.id, act.leavers);
        await log('leavers');
        return ok(null);
      case 'let-in':
      case 'refuse': {
        const granted = act.act === 'let-in';
        const person = await account(tx, personId(act.person));
        if (!person || (await decideJoin(tx, course.id, person.id, granted, deps.now)) === 0)
          return fail({ code: 'not-found' as const });
        if (granted) {
          await enrolNew(tx, course.id, person.id, 'student');
          await postMail(tx, {
            id: randomUUID(),
            kind: 'let-in',
            to: person.email,
            about: { person: person.id, course: course.id, role: 'student' },
            now: deps.now,
          });
        }
        await log(granted ? 'join-granted' : 'join-refused', person.id);
        return ok(null);
      }
    }
  });
}
