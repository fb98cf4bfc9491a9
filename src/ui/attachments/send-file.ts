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

type Answer = {
  ok: boolean;
  code?: string;
  id?: string;
  most?: number;
  received?: number;
  file?: StoredFile | null;
};

const PIECE = 524_288;
const AGAIN_MS = [500, 1_500, 3_000, 6_000, 10_000, 10_000, 20_000, 30_000];
/** Worth another try: the connection or the session may be back. */
const PASSING = new Set(['unexpected', 'signed-out', 'no-answer']);

async function ask(address: string, how: RequestInit, signal: AbortSignal): Promise<Answer> {
  try {
    const response = await fetch(address, { ...how, signal });
    return (await response.json()) as Answer;
  } catch (error) {
    if (signal.aborted) throw error;
    return { ok: false, code: 'no-answer' };
  }
}

const pause = (ms: number, signal: AbortSignal) =>
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

/**
 * Sends a file in pieces and gives what the server made of it. A lost connection is waited out: then the server is asked how
 * much it has, and the rest goes on from there. Throws {@link Refused} where the server will not have it, and the last
 * failure where trying again did not help for over a minute.
 */
export async function sendFile(
  slug: string,
  file: { name: string; content: Blob },
  on: { progress: (sent: number) => void; waiting: (waits: boolean) => void; begun: (id: string) => void },
  signal: AbortSignal,
): Promise<StoredFile> {
  let tries = 0;
  /** Asks until there is an answer that says something. */
  const insist = async (address: string, how: RequestInit): Promise<Answer> => {
    for (;;) {
      const answer = await ask(address, how, signal);
      if (answer.ok || !PASSING.has(answer.code ?? '')) {
        tries = 0;
        on.waiting(false);
        return answer;
      }
      const wait = AGAIN_MS[tries];
      if (wait === undefined) throw new Refused(answer.code ?? 'no-answer');
      tries += 1;
      on.waiting(true);
      await pause(wait, signal);
      signal.throwIfAborted();
    }
  };
  const begun = await insist(`/discussions/${slug}/files`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: file.name, bytes: file.content.size }),
  });
  if (!begun.ok || !begun.id) throw new Refused(begun.code ?? 'unexpected', begun.most);
  on.begun(begun.id);
  const address = `/attachments/${begun.id}`;
  let stuck = 0;
  for (let from = 0; ;) {
    const piece = file.content.slice(from, from + PIECE);
    let answer = await ask(`${address}?from=${from}`, { method: 'PUT', body: piece }, signal);
    // What became of the piece nobody knows: the server is asked how much it has.
    if (!answer.ok && PASSING.has(answer.code ?? '')) answer = await insist(`${address}/progress`, {});
    if (answer.file) return answer.file;
    if (!answer.ok && answer.code !== 'other-offset')
      throw new Refused(answer.code ?? 'unexpected', answer.most);
    const received = answer.received ?? from;
    // All that was sent is there, and still it is no file: whatever the server stumbles over may pass.
    if (received === from && piece.size === 0) {
      const wait = AGAIN_MS[stuck];
      if (wait === undefined) throw new Refused('unexpected');
      stuck += 1;
      await pause(wait, signal);
      signal.throwIfAborted();
    }
    from = received;
    on.progress(from);
  }
}
