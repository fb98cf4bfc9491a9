import type { StoredFile } from '@/core/posts/attachments';
import { AGAIN_MS, ask, insist, PASSING, pause, Refused } from './asking';

const PIECE = 524_288;

/**
 * Sends a file in pieces and gives what the server made of it. A lost connection is waited out: then the server is asked how
 * much it has, and the rest goes on from there. Throws {@link Refused} where the server will not have it, and the last
 * failure where trying again did not help for over a minute.
 */
export async function sendFile(
  course: string,
  file: { name: string; content: Blob },
  on: { progress: (sent: number) => void; waiting: (waits: boolean) => void; begun: (id: string) => void },
  signal: AbortSignal,
): Promise<StoredFile> {
  const begun = await insist(
    `/courses/${course}/files`,
    {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: file.name, bytes: file.content.size }),
    },
    signal,
    on.waiting,
  );
  if (!begun.ok || !begun.id) throw new Refused(begun.code ?? 'unexpected', begun.most);
  on.begun(begun.id);
  const address = `/attachments/${begun.id}`;
  let stuck = 0;
  for (let from = 0; ;) {
    const piece = file.content.slice(from, from + PIECE);
    let answer = await ask(`${address}?from=${from}`, { method: 'PUT', body: piece }, signal);
    // What became of the piece nobody knows: the server is asked how much it has.
    if (!answer.ok && PASSING.has(answer.code ?? ''))
      answer = await insist(`${address}/progress`, {}, signal, on.waiting);
    if (answer.file) return answer.file;
    if (!answer.ok && answer.code !== 'other-offset')
      throw new Refused(answer.code ?? 'unexpected', answer.most);
    const received = answer.received ?? from;
    // It answers and yet takes nothing: whatever the server stumbles over may pass.
    if (received > from) stuck = 0;
    else {
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
