import type { StoredFile } from '@/core/document/attachments';
import { beginningClip, finishingClip, givingUp, type finishSchema } from '@/contract/files';
import type { z } from 'zod';
import { insist, refusedFor } from '../attachments/asking';
import { Patience, sendPiece } from '../attachments/send-file';
import { call } from '../request/call';

type Finished = z.input<typeof finishSchema>;

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
    const { course, video } = this;
    const { signal } = this.abort;
    const begun = await insist(
      () => call(beginningClip, { course }, { video }, { signal }),
      signal,
      () => undefined,
    );
    if (!begun.ok) throw refusedFor(begun);
    return (this.id = begun.value.id);
  }

  private async work() {
    const { signal } = this.abort;
    const id = await this.begin();
    const patience = new Patience();
    while (this.pending.length) {
      const waiting = new Blob(this.pending);
      const piece = waiting.slice(0, PIECE);
      const count = this.pending.length;
      const { received } = await sendPiece(id, this.sent, piece, signal, () => undefined);
      const taken = Math.max(0, received - this.sent);
      this.sent += taken;
      await patience.after(taken, signal);
      const rest = waiting.slice(taken);
      this.pending = [...(rest.size ? [rest] : []), ...this.pending.slice(count)];
    }
  }

  /** All of it is over there: it is to be a clip. */
  async finish(said: Finished): Promise<StoredFile> {
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
export async function finishClip(id: string, said: Finished, signal: AbortSignal): Promise<StoredFile> {
  const answer = await insist(
    () => call(finishingClip, { id }, said, { signal }),
    signal,
    () => undefined,
  );
  if (!answer.ok) throw refusedFor(answer);
  return answer.value.file;
}

export const dropClip = (id: string) => call(givingUp, { id }, null);
