import type { PersonId } from '@/core/ids';
import type { Result } from '@/core/result';
import type { NotRead } from '@/contract/not-read';
import type { Readers } from './port';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

/** Reads something for a person by what this process has to read with. */
export async function readFor<K extends TaskName>(
  deps: { readers?: Readers },
  actor: { id: PersonId },
  task: K,
  input: TaskInput<K>,
): Promise<Result<TaskOutput<K>, NotRead>> {
  // Not a part of what is built for the web: there every request has the pool.
  const readers = deps.readers ?? (await import(/* turbopackIgnore: true */ './here')).readHere;
  return readers.run(task, input, actor.id);
}
