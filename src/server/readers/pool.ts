import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { pool as poolOf, TerminateError, type Pool } from 'workerpool';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { FairQueue } from './fair-queue';
import type { NotRead } from '@/contract/not-read';
import type { Readers } from './port';
import { behindAndCapped } from './own-process';
import { endAfter } from './process-time';
import { deadlineOf, REMEMBERED } from './limits';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

/** Of what one person brought, so much may wait. */
const MOST_WAITING = 24;
/** A machine that cannot begin to read within so long has nothing to read with. */
const TO_BEGIN_MS = 20_000;
/** What is given up has so long to end by itself. */
const TO_END_MS = 100;
/** So long one that cannot begin is listened to. */
const TO_SAY_MS = 5_000;
/** And all of them together, when nothing more is to be read. */
const ALL_ENDED_MS = 2_000;
const MOST_REMEMBERED = 400;
/** A refusal is remembered shortly: what is dear to refuse must not be asked for with every page. */
const REFUSED_MS = 60_000;

/** What a process says when it begins to read: its own number. */
export type Begun = { process: number };
/** What was read, or that it takes more memory than there is for it. */
export type ReadOrTooMuch<K extends TaskName> = { read: TaskOutput<K> } | { tooMuch: true };

export type ReaderPool = Readers & { begin: () => void; close: () => Promise<void> };

type Known = { answer: Result<unknown, NotRead>; until: number };

/**
 * Reads in processes of their own, each with a deadline and a memory cap, a person's things one after the other. What runs over
 * is ended with its process, and a new one takes the place: the process that serves pages never waits for any of it, and its
 * memory is not touched.
 *
 * @param script the processes' bundled entry (`src/workers/reader.ts`)
 * @param now for how long a refusal is remembered, in milliseconds
 */
export function readerPool(script: string, now: () => number): ReaderPool {
  const lanes = Math.max(2, availableParallelism() - 1);
  const queue = new FairQueue(lanes, MOST_WAITING);
  const known = new Map<string, Known>();
  let pool: Pool | null = null;
  const make = () =>
    poolOf(script, {
      workerType: 'process',
      // One that was ended is made anew before anybody needs it.
      minWorkers: lanes,
      maxWorkers: lanes,
      workerTerminateTimeout: TO_END_MS,
      // What it prints is about itself alone, that its memory is full for one: it does not go to the server's log.
      emitStdStreams: true,
      forkOpts: { ...behindAndCapped(), serialization: 'advanced' },
    });

  /** One try, or the error of a process that ended before it began. */
  async function attempt<K extends TaskName>(
    task: K,
    input: TaskInput<K>,
  ): Promise<Result<TaskOutput<K>, NotRead> | Error> {
    const most = deadlineOf(task);
    let begun = false;
    let over = false;
    // The deadline is one of reading: a process that is made anew says when it has begun.
    const on = (said: Partial<Begun>) => {
      if (said.process === undefined) return;
      begun = true;
      clearTimeout(timer);
      timer = endAfter(said.process, most, end);
    };
    const reading = (pool ??= make()).exec('read', [task, input], { on });
    const end = () => {
      over = true;
      reading.cancel();
    };
    let timer = setTimeout(end, most + TO_BEGIN_MS);
    try {
      const answer = (await reading) as ReadOrTooMuch<K>;
      return 'read' in answer ? ok(answer.read) : fail({ code: 'not-read', why: 'memory' });
    } catch (error) {
      if (over) return fail({ code: 'not-read', why: 'time' });
      if (!ended(error)) throw error;
      return begun
        ? fail({ code: 'not-read', why: 'memory' })
        : new Error('A process that reads did not start.', { cause: error });
    } finally {
      clearTimeout(timer);
    }
  }

  /** As often as there are processes that may have ended while nobody asked them anything, and once more. */
  async function read<K extends TaskName>(task: K, input: TaskInput<K>) {
    for (let left = lanes; ; left -= 1) {
      const answer = await attempt(task, input);
      if (!(answer instanceof Error)) return answer;
      if (left > 0) continue;
      throw new Error(`${answer.message} ${await lastWordsOf(script)}`, { cause: answer });
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
    const answer = await queue.take(person, () => read(task, input));
    if (answer === null) return fail({ code: 'not-read', why: 'queue' });
    if (key !== null) {
      const [oldest] = known.keys();
      if (known.size >= MOST_REMEMBERED && oldest !== undefined) known.delete(oldest);
      known.set(key, { answer, until: answer.ok ? Infinity : now() + REFUSED_MS });
    }
    return answer;
  }

  /** Makes the processes now, so that the first person does not wait for them. */
  const begin = () => void (pool ??= make());

  /** Ends all of them. One that had ended by itself while nobody asked it anything never says so again: it is waited for no longer than this. */
  const close = async () => {
    try {
      await pool?.terminate(true, ALL_ENDED_MS);
    } catch {
      // Whoever lives on was told to end, and does when the process that began it has ended.
    }
  };

  return { run, begin, close };
}

/** What a process prints that cannot begin. The pool's own may be gone before its words are read: it is begun once more, to be listened to. */
const lastWordsOf = (script: string): Promise<string> => {
  const { execPath = process.execPath, execArgv } = behindAndCapped();
  return new Promise((said) => {
    execFile(execPath, [...execArgv, script], { timeout: TO_SAY_MS, killSignal: 'SIGKILL' }, (_, out, err) =>
      said(`${err}${out}`.slice(0, 2_000)),
    );
  });
};

const keyOf = (task: TaskName, input: unknown) =>
  createHash('sha256')
    .update(`${task}\n${JSON.stringify(input)}`)
    .digest('base64');

/** Whether a process ended in the middle, which it does for want of memory, or had ended as it was spoken to. */
const ended = (error: unknown) =>
  error instanceof TerminateError || (error instanceof Error && /terminated/iu.test(error.message));
