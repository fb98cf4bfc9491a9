import type { StoredFile } from '@/core/posts/attachments';

/** The server will not take a file, and says why; trying again changes nothing. */
export class Refused extends Error {
  constructor(
    readonly code: string,
    readonly most?: number,
  ) {
    super(code);
  }
}

export type Answer = {
  ok: boolean;
  code?: string;
  id?: string;
  most?: number;
  received?: number;
  file?: StoredFile | null;
};

export const AGAIN_MS = [500, 1_500, 3_000, 6_000, 10_000, 10_000, 20_000, 30_000];
/** Worth another try: the connection or the session may be back. */
export const PASSING = new Set(['unexpected', 'signed-out', 'no-answer']);

export async function ask(address: string, how: RequestInit, signal: AbortSignal): Promise<Answer> {
  try {
    const response = await fetch(address, { ...how, signal });
    return (await response.json()) as Answer;
  } catch (error) {
    if (signal.aborted) throw error;
    return { ok: false, code: 'no-answer' };
  }
}

export const pause = (ms: number, signal: AbortSignal) =>
  new Promise<void>((resolve) => {
    const over = () => {
      clearTimeout(timer);
      window.removeEventListener('online', over);
      resolve();
    };
    const timer = setTimeout(over, ms);
    window.addEventListener('online', over, { once: true });
    signal.addEventListener('abort', over, { once: true });
  });

/** Asks until there is an answer that says something; gives up with {@link Refused} after over a minute without one. */
export async function insist(
  address: string,
  how: RequestInit,
  signal: AbortSignal,
  waiting: (waits: boolean) => void,
): Promise<Answer> {
  for (let tries = 0; ; tries += 1) {
    const answer = await ask(address, how, signal);
    if (answer.ok || !PASSING.has(answer.code ?? '')) {
      waiting(false);
      return answer;
    }
    const wait = AGAIN_MS[tries];
    if (wait === undefined) throw new Refused(answer.code ?? 'no-answer');
    waiting(true);
    await pause(wait, signal);
    signal.throwIfAborted();
  }
}
