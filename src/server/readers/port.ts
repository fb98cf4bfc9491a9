import type { PersonId } from '@/core/ids';
import type { Result } from '@/core/result';
import type { NotRead } from '@/contract/not-read';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

/**
 * Whoever reads what people bring: a pool of processes beside a web process (`pool.ts`), or the own thread of a program that nobody
 * waits for (`here.ts`). Only those two, and the processes, hold the readers themselves: they are a great deal of code.
 */
export type Readers = {
  run<K extends TaskName>(
    task: K,
    input: TaskInput<K>,
    person: PersonId,
  ): Promise<Result<TaskOutput<K>, NotRead>>;
};
