import { readPrompt } from '@/core/prompts/read-prompt';
import { judge } from '@/core/substance/judge';
import type { Answered } from '@/core/substance/answered';

/** What is read in a browser's worker to see how long it takes: prompts, and replies with what they answer. */
export type ToRead = { prompts: string[]; replies: { reply: string; answered: Answered }[] };

/** Milliseconds that each of them takes, once all have been read once: a reader that has just begun is slower. */
function times<T>(all: readonly T[], read: (one: T) => unknown): number[] {
  for (const one of all) read(one);
  return all.map((one) => {
    const began = performance.now();
    read(one);
    return performance.now() - began;
  });
}

self.onmessage = ({ data }: MessageEvent<ToRead>) =>
  self.postMessage({
    prompts: times(data.prompts, readPrompt),
    replies: times(data.replies, (r) => judge(r.reply, r.answered)),
  });
