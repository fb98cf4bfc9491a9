import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { readPrompt } from '@/core/prompts/read-prompt';
import { perform, type TaskInput, type TaskName } from '@/server/readers/tasks';

/** Behind everything that answers somebody: on Linux a thread has a priority of its own. */
const BEHIND = 19;

try {
  setPriority(Number(/task\/(\d+)/u.exec(readlinkSync('/proc/thread-self'))?.[1]), BEHIND);
} catch {
  // Where threads cannot be told apart they all work alike.
}

// The expressions of the grammar take a third of a second to make, once: before the thread says that it is ready.
readPrompt('Your post: 200 words by Friday, 5 pm. Reply to two classmates.\n\n1. What?\n2. Why?');

/** A thread of the pool that reads what people bring: it says that it has begun, and reads. */
export default function read<K extends TaskName>(asked: { run: number; task: K; input: TaskInput<K> }) {
  parentPort?.postMessage(asked.run);
  return perform(asked.task, asked.input);
}
