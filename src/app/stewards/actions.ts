'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { collegeAt, stewardsCourseAt, stewardsCoursesAt } from '@/contract/addresses';
import { invitationSchema, invite } from '@/server/people/invite';
import { changeCollege, collegeSchema } from '@/server/stewards/college';
import { makeCourse, newCourseSchema } from '@/server/stewards/courses';
import type { Told } from '@/ui/people/told';
import { requireSteward } from '../_request/stewards';
import { readTold } from '../_request/told';
import { localPath } from '../_request/write';

const invitingFields = z
  .object({
    name: z.string().transform((name) => name.trim()),
    email: z.string(),
    role: z.enum(['student', 'instructor', 'assistant', 'observer', 'steward']),
    course: z.string(),
  })
  .transform(({ name, email, role, course }) => ({
    name,
    email,
    as: role === 'steward' ? { steward: true } : { course, role },
  }))
  .pipe(invitationSchema);

/** Invites somebody from a page of the stewards', and comes back to it. */
export async function inviteSomebody(page: string, before: Told, form: FormData): Promise<Told> {
  const here = localPath(page);
  const { who, steward } = await requireSteward(here);
  const read = readTold(invitingFields, form);
  if (!read.ok) return read.told;
  const done = await invite(who.deps, steward, read.value);
  if (!done.ok) return { fields: read.back, problem: done.failure };
  redirect(`${here}?${new URLSearchParams({ answer: done.value.code })}`);
}

/** Makes a course. */
export async function makeNewCourse(before: Told, form: FormData): Promise<Told> {
  const { who, steward } = await requireSteward(stewardsCoursesAt());
  const read = readTold(newCourseSchema, form);
  if (!read.ok) return read.told;
  const made = await makeCourse(who.deps, steward, read.value);
  if (!made.ok) return { fields: read.back, problem: made.failure };
  redirect(stewardsCourseAt(made.value.course, { answer: 'made' }));
}

/** Says what is said of the college. */
export async function keepCollege(before: Told, form: FormData): Promise<Told> {
  const { who, steward } = await requireSteward(collegeAt());
  const read = readTold(collegeSchema, form);
  if (!read.ok) return read.told;
  await changeCollege(who.deps, steward, read.value);
  redirect(collegeAt({ answer: 'kept' }));
}
