import { fail, ok, type Result } from '@/core/result';
import { insertSignature, signingOf } from '@/db/queries/syllabus';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse } from './enter';

/** Signs the syllabus of a course, as it was read: where another stands by now, that one is to be read first. */
export async function signSyllabus(
  deps: Deps,
  actor: Actor,
  slug: string,
  version: number,
): Promise<Result<null, NotFound | { code: 'changed-meanwhile' }>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const signing = await signingOf(deps.db, door.value.id);
  if (!signing?.toSign) return fail({ code: 'not-found' });
  if (signing.version !== version) return fail({ code: 'changed-meanwhile' });
  await insertSignature(deps.db, door.value.id, actor.id, version, deps.now);
  return ok(null);
}
