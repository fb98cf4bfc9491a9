import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { readPrompt } from '@/core/prompts/read-prompt';
import { perform, type TaskInput, type TaskName } from '@/server/readers/tasks';
import type { Begun } from '@/server/readers/pool';

/** Behind whatever answers somebody, and not behind everything else on the machine: it would never have its turn there. */
const BEHIND = 5;

/** This thread's own number, by which Linux keeps its priority and its account; null where threads cannot be told apart. */
let thread: number | null = null;
try {
  thread = Number(/task\/(\d+)/u.exec(readlinkSync('/proc/thread-self'))?.[1]) || null;
  if (thread !== null) setPriority(thread, BEHIND);
} catch {
  thread = null;
}

// The expressions of the grammar take a third of a second to make, once: before the thread says that it is ready.
readPrompt('Your post: 200 words by Friday, 5 pm. Reply to two classmates.\n\n1. What?\n2. Why?');

/** A thread of the pool that reads what people bring: it says that it has begun, and reads. */
export default function read<K extends TaskName>(asked: { run: number; task: K; input: TaskInput<K> }) {
  parentPort?.postMessage({ run: asked.run, thread } satisfies Begun);
  return perform(asked.task, asked.input);
}
