import type { PersonId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import type { NotRead } from './not-read';
import { tasks, type TaskInput, type TaskName, type TaskOutput } from './tasks';

/** Whoever reads what people bring: a pool of threads in a web process, or this thread where nobody waits for it. */
export type Readers = {
  run<K extends TaskName>(
    task: K,
    input: TaskInput<K>,
    person: PersonId,
  ): Promise<Result<TaskOutput<K>, NotRead>>;
};

/** Reads in this thread, without a deadline: for scripts, seeding, and tests of what is read. */
export const readHere: Readers = {
  run: async <K extends TaskName>(task: K, input: TaskInput<K>) => ok(await perform(task, input)),
};

/** Does one task; what the threads of the pool do, too. */
export const perform = async <K extends TaskName>(task: K, input: TaskInput<K>): Promise<TaskOutput<K>> =>
  (await (tasks[task] as (input: TaskInput<K>) => unknown)(input)) as TaskOutput<K>;

/** Reads something for a person by what this process has to read with. */
export const readFor = <K extends TaskName>(
  deps: { readers?: Readers },
  actor: { id: PersonId },
  task: K,
  input: TaskInput<K>,
) => (deps.readers ?? readHere).run(task, input, actor.id);
