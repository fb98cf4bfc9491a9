import type { CommonFailure } from '@/contract/endpoint';

/** The server will not take a file, and says why; trying again changes nothing. */
export class Refused extends Error {
  constructor(
    readonly code: string,
    readonly most?: number,
  ) {
    super(code);
  }
}

/** The same as an error, of what an endpoint answered. */
export const refusedFor = (failure: { code: string } | { code: string; most: number }) =>
  new Refused(failure.code, 'most' in failure ? failure.most : undefined);

export const AGAIN_MS = [500, 1_500, 3_000, 6_000, 10_000, 10_000, 20_000, 30_000];
const PASSING = new Set<string>(['unexpected', 'signed-out', 'no-answer'] satisfies CommonFailure['code'][]);
/** Worth another try: the connection or the session may be back. */
export const mayPass = (answer: { ok: true } | { ok: false; code: string }) =>
  !answer.ok && PASSING.has(answer.code);

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
export async function insist<A extends { ok: true } | { ok: false; code: string }>(
  ask: () => Promise<A>,
  signal: AbortSignal,
  waiting: (waits: boolean) => void,
): Promise<A> {
  for (let tries = 0; ; tries += 1) {
    const answer = await ask();
    signal.throwIfAborted();
    if (!mayPass(answer)) {
      waiting(false);
      return answer;
    }
    const wait = AGAIN_MS[tries];
    if (wait === undefined) throw new Refused(answer.ok ? 'no-answer' : answer.code);
    waiting(true);
    await pause(wait, signal);
    signal.throwIfAborted();
  }
}
