import { z } from 'zod';
import { fail, ok, type Result } from '@/core/result';
import { fileContent } from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

export type CourseFile = NonNullable<Awaited<ReturnType<typeof fileContent>>>;

/** A file of a course the person is in. */
export async function courseFile(
  deps: Deps,
  actor: Actor,
  id: string,
): Promise<Result<CourseFile, NotFound>> {
  if (!z.uuid().safeParse(id).success) return fail({ code: 'not-found' });
  const file = await fileContent(deps.db, actor.id, id);
  return file ? ok(file) : fail({ code: 'not-found' });
}
