import { ok } from '@/core/result';
import type { Readers } from './port';
import { perform, type TaskInput, type TaskName } from './tasks';

/** Reads in this thread, without a deadline: for scripts, seeding, and tests of what is read. */
export const readHere: Readers = {
  run: async <K extends TaskName>(task: K, input: TaskInput<K>) => ok(await perform(task, input)),
};
