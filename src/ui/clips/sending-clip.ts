import type { StoredFile } from '@/core/posts/attachments';
import { AGAIN_MS, ask, insist, PASSING, pause, Refused } from '../attachments/asking';

const PIECE = 524_288;

/**
 * Sends a recording while it is made. What cannot be sent yet waits in memory and goes when the connection is back, so a
 * closed tab loses at most what was recorded since the last piece.
 */
export class SendingClip {
  private pending: Blob[] = [];
  private sent = 0;
  private id: string | null = null;
  private under: Promise<void> | null = null;
  private readonly abort = new AbortController();

  constructor(
    private readonly course: string,
    private readonly video: boolean,
  ) {}

  add(piece: Blob) {
    if (piece.size === 0) return;
    this.pending.push(piece);
    // What goes wrong is said when the recording is to be used; until then it is tried again with each piece.
    void this.send().catch(() => undefined);
  }

  private send(): Promise<void> {
    this.under ??= this.work().finally(() => (this.under = null));
    return this.under;
  }

  private async begin(): Promise<string> {
    if (this.id) return this.id;
    const begun = await insist(
      `/courses/${this.course}/clips`,
      {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ video: this.video }),
      },
      this.abort.signal,
      () => undefined,
    );
    if (!begun.ok || !begun.id) throw new Refused(begun.code ?? 'unexpected', begun.most);
    return (this.id = begun.id);
  }

  private async work() {
    const { signal } = this.abort;
    const address = `/attachments/${await this.begin()}`;
    let stuck = 0;
    while (this.pending.length) {
      const waiting = new Blob(this.pending);
      const piece = waiting.slice(0, PIECE);
      const count = this.pending.length;
      let answer = await ask(`${address}?from=${this.sent}`, { method: 'PUT', body: piece }, signal);
      // What became of the piece nobody knows: the server is asked how much it has.
      if (!answer.ok && PASSING.has(answer.code ?? ''))
        answer = await insist(`${address}/progress`, {}, signal, () => undefined);
      if (!answer.ok && answer.code !== 'other-offset') throw new Refused(answer.code ?? 'unexpected');
      const taken = Math.max(0, (answer.received ?? this.sent) - this.sent);
      this.sent += taken;
      // It answers and yet takes nothing: whatever the server stumbles over may pass.
      if (taken > 0) stuck = 0;
      else {
        const wait = AGAIN_MS[stuck];
        if (wait === undefined) throw new Refused('unexpected');
        stuck += 1;
        await pause(wait, signal);
        signal.throwIfAborted();
      }
      const rest = waiting.slice(taken);
      this.pending = [...(rest.size ? [rest] : []), ...this.pending.slice(count)];
    }
  }

  /** All of it is over there: it is to be a clip. */
  async finish(said: {
    title: string;
    captions: string;
    from: number;
    to: number | null;
    ms: number;
  }): Promise<StoredFile> {
    while (this.pending.length) await this.send();
    const id = await this.begin();
    return finishClip(id, said, this.abort.signal);
  }

  /** It is not wanted. */
  drop() {
    this.abort.abort();
    if (this.id) void dropClip(this.id);
  }
}

/** Makes a recording that is over there into a clip. */
export async function finishClip(
  id: string,
  said: { title: string; captions: string; from: number; to: number | null; ms: number },
  signal: AbortSignal,
): Promise<StoredFile> {
  const answer = await insist(
    `/attachments/${id}/clip`,
    { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(said) },
    signal,
    () => undefined,
  );
  if (!answer.ok || !answer.file) throw new Refused(answer.code ?? 'unexpected');
  return answer.file;
}

export const dropClip = (id: string) =>
  fetch(`/attachments/${id}`, { method: 'DELETE' }).catch(() => undefined);
