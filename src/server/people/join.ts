import { fail, ok, type Result } from '@/core/result';
import { roleIn } from '@/db/queries/courses';
import { enrolNew } from '@/db/queries/accounts';
import { askToJoin, courseByCode } from '@/db/queries/hosted-courses';
import type { Actor, Deps } from '../deps';
import { plainCode } from '../secrets/codes';
import { mayTry } from '../sessions/tries';

export type Joined = { code: 'joined' | 'asked' | 'there-already'; course: string };

/** Into a course by its code: at once, or by asking its staff where the course wants that. */
export async function joinByCode(
  deps: Deps,
  actor: Actor,
  typed: string,
  network: string | null,
): Promise<Result<Joined, { code: 'no-such-code' } | { code: 'too-many-tries' }>> {
  if (!(await mayTry(deps, 'code', { about: actor.id, network }))) return fail({ code: 'too-many-tries' });
  return deps.db.transaction(async (tx) => {
    const found = await courseByCode(tx, plainCode(typed));
    if (!found) return fail({ code: 'no-such-code' as const });
    if (await roleIn(tx, found.course, actor.id))
      return ok({ code: 'there-already' as const, course: found.name });
    if (found.approval) {
      await askToJoin(tx, found.course, actor.id, deps.now);
      return ok({ code: 'asked' as const, course: found.name });
    }
    await enrolNew(tx, found.course, actor.id, 'student');
    return ok({ code: 'joined' as const, course: found.name });
  });
}
