import { habitsSchema, type Habits } from '@/core/planning/habits';
import { paceOf, type Pace } from '@/core/planning/pace';
import { ask } from '@/db/ask';
import { setHabits, workHistory } from '@/db/queries/planning';
import type { Actor, Deps } from '../deps';

export { habitsSchema };

/** How a person wants to work, and the pace Pulpit reckons with: theirs, as far as it is known. */
export async function habitsAndPace(deps: Deps, actor: Actor): Promise<{ habits: Habits; pace: Pace }> {
  const { habits, writing, reading } = await ask(workHistory(deps.db, actor.id));
  return { habits, pace: paceOf(writing, reading) };
}

export const chooseHabits = (deps: Deps, actor: Actor, habits: Habits) =>
  setHabits(deps.db, actor.id, habits);
