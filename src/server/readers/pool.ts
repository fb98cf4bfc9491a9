import { createHash } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { FairQueue } from './fair-queue';
import type { NotRead } from '@/contract/not-read';
import type { Readers } from './port';
import { endAfter } from './thread-time';
import { deadlineOf, REMEMBERED } from './limits';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

/** A thread that needs more is ended. Twelve megabytes of a file, unpacked and read, take about a third of it. */
const MOST_MEGABYTES = 320;
/** Of what one person brought, so much may wait. */
const MOST_WAITING = 24;
/** A machine that cannot begin to read within so long has no thread to read with. */
const TO_BEGIN_MS = 20_000;
const MOST_REMEMBERED = 400;
/** A refusal is remembered shortly: what is dear to refuse must not be asked for with every page. */
const REFUSED_MS = 60_000;

/** What a thread says when it begins to read: which reading, and its own number where it has one. */
export type Begun = { run: number; thread: number | null };

export type ReaderPool = Readers & { begin: () => void; close: () => Promise<void> };

type Known = { answer: Result<unknown, NotRead>; until: number };

/**
 * Reads in threads of their own, each with a deadline and a memory cap, a person's things one after the other. What runs over
 * is ended with its thread, and a new thread takes the place: the process that serves pages never waits for any of it.
 *
 * @param script the threads' bundled entry (`src/workers/reader.ts`)
 * @param now for how long a refusal is remembered, in milliseconds
 */
export function readerPool(script: string, now: () => number): ReaderPool {
  const threads = Math.max(2, availableParallelism() - 1);
  const queue = new FairQueue(threads, MOST_WAITING);
  const known = new Map<string, Known>();
  // The deadline is one of reading: a thread that is made anew says when it has begun.
  const begun = new Map<number, (thread: number | null) => void>();
  let pool: Piscina | null = null;
  let runs = 0;
  const make = () =>
    new Piscina({
      filename: script,
      // A thread that was ended is made anew before anybody needs it.
      minThreads: threads,
      maxThreads: threads,
      concurrentTasksPerWorker: 1,
      // A thread that waits for work by blocking could not finish what a reader left to a timer.
      atomics: 'disabled',
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES, maxYoungGenerationSizeMb: 48 },
    }).on('message', ({ run, thread }: Begun) => begun.get(run)?.(thread));

  async function attempt<K extends TaskName>(
    task: K,
    input: TaskInput<K>,
  ): Promise<Result<TaskOutput<K>, NotRead>> {
    const over = new AbortController();
    const id = (runs += 1);
    const most = deadlineOf(task);
    let timer = setTimeout(() => over.abort(), most + TO_BEGIN_MS);
    begun.set(id, (thread) => {
      clearTimeout(timer);
      timer = endAfter(thread, most, () => over.abort());
    });
    try {
      const read = (pool ??= make()).run({ run: id, task, input }, { signal: over.signal });
      return ok((await read) as TaskOutput<K>);
    } catch (error) {
      if (over.signal.aborted) return fail({ code: 'not-read', why: 'time' });
      if (isTooMuch(error)) return fail({ code: 'not-read', why: 'memory' });
      throw error;
    } finally {
      clearTimeout(timer);
      begun.delete(id);
    }
  }

  async function run<K extends TaskName>(
    task: K,
    input: TaskInput<K>,
    person: PersonId,
  ): Promise<Result<TaskOutput<K>, NotRead>> {
    const key = REMEMBERED.has(task) ? keyOf(task, input) : null;
    const before = key === null ? undefined : known.get(key);
    if (before && before.until > now()) return before.answer as Result<TaskOutput<K>, NotRead>;
    const answer = await queue.take(person, () => attempt(task, input));
    if (answer === null) return fail({ code: 'not-read', why: 'queue' });
    if (key !== null) {
      const [oldest] = known.keys();
      if (known.size >= MOST_REMEMBERED && oldest !== undefined) known.delete(oldest);
      known.set(key, { answer, until: answer.ok ? Infinity : now() + REFUSED_MS });
    }
    return answer;
  }

  /** Makes the threads now, so that the first person does not wait for them. */
  const begin = () => void (pool ??= make());

  return { run, begin, close: async () => void (await pool?.destroy()) };
}

const keyOf = (task: TaskName, input: unknown) =>
  createHash('sha256')
    .update(`${task}\n${JSON.stringify(input)}`)
    .digest('base64');

/** Whether a thread ended for want of memory, or of room for what is nested too deeply. */
function isTooMuch(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code } = error as NodeJS.ErrnoException;
  return (
    code === 'ERR_WORKER_OUT_OF_MEMORY' ||
    (error.name === 'RangeError' && /call stack|string length|array length|allocation/iu.test(error.message))
  );
}
