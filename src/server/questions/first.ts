import { ask } from '@/db/ask';
import { enrolledIn } from '@/db/queries/courses';
import { unreadQuestions } from '@/db/queries/questions';
import type { Actor, Deps } from '../deps';

/** The course to show the questions of: where most is new to somebody, else their first; null for who is in no course that is held here. */
export async function firstToAsk(deps: Deps, actor: Actor): Promise<string | null> {
  const courses = (await ask(enrolledIn(deps.db, actor.id))).filter((c) => !c.outside);
  const unread = await unreadQuestions(deps.db, actor.id);
  const [first] = [...courses].sort((a, b) => (unread.get(b.id) ?? 0) - (unread.get(a.id) ?? 0));
  return first?.slug ?? null;
}
