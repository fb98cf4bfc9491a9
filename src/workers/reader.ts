import { writeFileSync } from 'node:fs';
import { worker, workerEmit } from 'workerpool';
import { readPrompt } from '@/core/prompts/read-prompt';
import { perform, type TaskInput, type TaskName } from '@/server/readers/tasks';
import type { Begun, ReadOrTooMuch } from '@/server/readers/pool';

// Where a machine has no memory left, this goes first, and not what serves people (proc(5), oom_score_adj).
try {
  writeFileSync('/proc/self/oom_score_adj', '500');
} catch {
  // A system without such an account.
}

// The expressions of the grammar take a third of a second to make, once: before the process says that it is ready.
readPrompt('Your post: 200 words by Friday, 5 pm. Reply to two classmates.\n\n1. What?\n2. Why?');

/** A process of the pool that reads what people bring: it says that it has begun, and reads. */
async function read<K extends TaskName>(task: K, input: TaskInput<K>): Promise<ReadOrTooMuch<K>> {
  workerEmit({ process: process.pid } satisfies Begun);
  try {
    return { read: (await perform(task, input)) as Awaited<ReturnType<typeof perform<K>>> };
  } catch (error) {
    if (isTooMuch(error)) return { tooMuch: true };
    throw error;
  }
}

/** Whether it failed for want of memory, or of room for what is nested too deeply. */
const isTooMuch = (error: unknown) =>
  error instanceof RangeError && /call stack|string length|array length|allocation/iu.test(error.message);

worker({ read });
