import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { meantOf } from '@/server/discussions/meant';
import { promptSets } from '../../tests/prompts/labelled';
import { replySets } from '../../tests/replies/labelled';
import { CHROMIUM } from './debian';
import { ROOT } from './places';
import type { ToRead } from './reading-worker';

/** How long something takes, in milliseconds: in the middle, and of the slowest twentieth the quickest. */
export type Taken = { of: number; middle: number; p95: number };
export type Reading = { prompts: Taken; replies: Taken; meanings: Taken };

function taken(times: readonly number[]): Taken {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(sorted.length * share)] ?? NaN;
  return { of: sorted.length, middle: at(0.5), p95: at(0.95) };
}

/** The labelled prompts and replies, as they are read while somebody writes. */
function toRead(): ToRead & { prompt: string[] } {
  const replies = replySets().flatMap((s) => s.replies);
  return {
    prompts: promptSets().flatMap((s) => s.prompts.map((p) => p.text)),
    replies: replies.map((r) => ({
      reply: r.reply,
      answered: {
        peer: { name: r.peerName, text: r.peerPost },
        prompt: r.prompt,
        concepts: r.concepts,
        others: r.otherPosts,
      },
    })),
    prompt: replies.map((r) => r.prompt),
  };
}

/** Reads every labelled prompt and reply in a browser's worker, and places every reply by its meaning as the server does. */
export async function measureReading(): Promise<Reading> {
  const { prompt, ...all } = toRead();
  const bundle = await build({
    entryPoints: [join(ROOT, 'scripts/lib/reading-worker.ts')],
    bundle: true,
    write: false,
    minify: true,
    tsconfig: join(ROOT, 'tsconfig.json'),
  });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await browser.newPage();
    const read = await page.evaluate(
      ([code, texts]) =>
        new Promise<{ prompts: number[]; replies: number[] }>((done, fail) => {
          const worker = new Worker(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })));
          worker.onmessage = ({ data }) => done(data);
          worker.onerror = (e) => fail(new Error(e.message));
          worker.postMessage(texts);
        }),
      [bundle.outputFiles[0]?.text ?? '', all] as const,
    );
    const meanings: number[] = [];
    for (const [i, { reply, answered }] of all.replies.entries()) {
      const began = performance.now();
      await meantOf({ reply, post: answered.peer.text, prompt: prompt[i] ?? '' });
      meanings.push(performance.now() - began);
    }
    // The first brings the model along.
    return {
      prompts: taken(read.prompts),
      replies: taken(read.replies),
      meanings: taken(meanings.slice(1)),
    };
  } finally {
    await browser.close();
  }
}
