import { askingProgress, beginningFile, sendingPiece } from '@/contract/files';
import type { StoredFile } from '@/core/document/attachments';
import { call } from '../request/call';
import { AGAIN_MS, insist, mayPass, pause, Refused, refusedFor } from './asking';

const PIECE = 524_288;

/** Sends a piece, or, where nobody knows what became of it, asks how much is there: so many bytes, and the file once it is whole. */
export async function sendPiece(
  id: string,
  from: number,
  piece: Blob,
  signal: AbortSignal,
  waiting: (waits: boolean) => void,
): Promise<{ received: number; file: StoredFile | null }> {
  const sent = await call(sendingPiece, { id }, null, { body: piece, query: { from: String(from) }, signal });
  signal.throwIfAborted();
  const answer = mayPass(sent)
    ? await insist(() => call(askingProgress, { id }, null, { signal }), signal, waiting)
    : sent;
  if (answer.ok) return answer.value;
  if (answer.code === 'other-offset') return { received: answer.received, file: null };
  throw refusedFor(answer);
}

/** Waits longer each time the server answers and yet takes nothing: whatever it stumbles over may pass. */
export class Patience {
  private stuck = 0;
  async after(taken: number, signal: AbortSignal) {
    if (taken > 0) {
      this.stuck = 0;
      return;
    }
    const wait = AGAIN_MS[this.stuck];
    if (wait === undefined) throw new Refused('unexpected');
    this.stuck += 1;
    await pause(wait, signal);
    signal.throwIfAborted();
  }
}

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
  const { name, content } = file;
  const begun = await insist(
    () => call(beginningFile, { course }, { name, bytes: content.size }, { signal }),
    signal,
    on.waiting,
  );
  if (!begun.ok) throw refusedFor(begun);
  const { id } = begun.value;
  on.begun(id);
  const patience = new Patience();
  for (let from = 0; ;) {
    const piece = content.slice(from, from + PIECE);
    const { received, file: whole } = await sendPiece(id, from, piece, signal, on.waiting);
    if (whole) return whole;
    await patience.after(received - from, signal);
    from = received;
    on.progress(from);
  }
}
