import { LIMITS } from '@/core/document/limits';
import { recordingForm, type Opened } from './devices';
import { SendingClip } from './sending-clip';

/** So that the last word is not cut off with the key that ends it. */
const TAIL_MS = 500;
const PIECE_MS = 1_000;
const COUNT_FROM = 3;
const MOST_MS = LIMITS.clipMs - 1_000;

export type Phase =
  | { name: 'ready' }
  | { name: 'counting'; left: number }
  | { name: 'recording' | 'paused' | 'ending' }
  | { name: 'over'; blob: Blob; ms: number }
  | { name: 'broken' };

/** One recording, from the count-in to the end. Its pieces are on their way to the server while it is made. */
export class Recording {
  private phase: Phase = { name: 'ready' };
  private recorder: MediaRecorder | null = null;
  private sending: SendingClip | null = null;
  private pieces: Blob[] = [];
  private before = 0;
  private since = 0;
  private left = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly course: string,
    private readonly video: boolean,
    private readonly opened: Opened,
  ) {}

  get = (): Phase => this.phase;
  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  private set(phase: Phase) {
    this.phase = phase;
    this.listeners.forEach((tell) => tell());
  }

  /** How long has been recorded by now, in milliseconds; pauses are no part of it. */
  elapsed = () => this.before + (this.since ? performance.now() - this.since : 0);

  start(left = COUNT_FROM) {
    if (left > 0) {
      this.set({ name: 'counting', left });
      this.timer = setTimeout(() => this.start(left - 1), 1_000);
      return;
    }
    const mimeType = recordingForm(this.video);
    try {
      this.recorder = new MediaRecorder(this.opened.stream, {
        ...(mimeType ? { mimeType } : {}),
        videoBitsPerSecond: 850_000,
        audioBitsPerSecond: 64_000,
      });
    } catch {
      // A browser that records in no form at all.
      this.set({ name: 'broken' });
      return;
    }
    const { recorder } = this;
    this.sending = new SendingClip(this.course, this.video);
    recorder.ondataavailable = ({ data }) => {
      this.pieces.push(data);
      this.sending?.add(data);
    };
    recorder.onstop = () => this.over();
    recorder.onerror = () => this.end(0);
    recorder.start(PIECE_MS);
    this.run();
  }

  private run() {
    this.since = performance.now();
    this.timer = setTimeout(() => this.end(TAIL_MS), Math.max(0, MOST_MS - this.before));
    this.set({ name: 'recording' });
  }

  pause() {
    if (this.phase.name !== 'recording') return;
    clearTimeout(this.timer);
    this.recorder?.pause();
    this.before = this.elapsed();
    this.since = 0;
    this.set({ name: 'paused' });
  }

  resume() {
    if (this.phase.name !== 'paused') return;
    this.recorder?.resume();
    this.run();
  }

  /** Ends it half a second from now, unless it is paused: then there is nothing more to come. */
  end(tail = TAIL_MS) {
    clearTimeout(this.timer);
    if (this.phase.name === 'counting') {
      this.set({ name: 'ready' });
      return;
    }
    if (this.phase.name !== 'recording' && this.phase.name !== 'paused') return;
    const wait = this.phase.name === 'paused' ? 0 : tail;
    this.set({ name: 'ending' });
    this.timer = setTimeout(() => this.recorder?.state !== 'inactive' && this.recorder?.stop(), wait);
  }

  private over() {
    const ms = Math.min(LIMITS.clipMs, Math.round(this.elapsed()));
    this.before = ms;
    this.since = 0;
    this.set({ name: 'over', blob: new Blob(this.pieces, { type: this.recorder?.mimeType ?? '' }), ms });
  }

  finish = (said: { title: string; captions: string; from: number; to: number | null; ms: number }) => {
    if (!this.sending) throw new Error('nothing was recorded');
    return this.sending.finish(said);
  };

  /** It is not wanted, or the page goes. What is over there of it stays only where `keep` says so. */
  leave(keep: boolean) {
    if (this.left) return;
    this.left = true;
    clearTimeout(this.timer);
    if (this.recorder && this.recorder.state !== 'inactive') {
      this.recorder.onstop = null;
      this.recorder.stop();
    }
    if (!keep) this.sending?.drop();
    this.opened.stop();
  }
}
