import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';

const UPLOADS = 100;
const BYTES = 5_000_000;
const PIECE = 524_288;

/** What many uploads at once cost the web process that takes them. */
export type Uploaded = { arrived: number; seconds: number; restingMb: number; mostMb: number };

/** The memory of a process that lies in this machine, in megabytes. */
const residentMb = (pid: number) =>
  Number(/^VmRSS:\s+(\d+) kB/mu.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? NaN) / 1_024;

async function upload(base: string, cookie: string, n: number): Promise<boolean> {
  const headers = { cookie, origin: base, 'sec-fetch-site': 'same-origin' };
  const content = randomBytes(BYTES);
  const begun = await fetch(`${base}/discussions/pla-204-w6/files`, {
    method: 'POST',
    headers: { ...headers, 'content-type': 'application/json' },
    body: JSON.stringify({ name: `survey-${n}.bin`, bytes: BYTES }),
  });
  const { id } = (await begun.json()) as { id?: string };
  let there = false;
  for (let from = 0; id && from < BYTES; from += PIECE) {
    const body = content.subarray(from, from + PIECE);
    const sent = await fetch(`${base}/attachments/${id}?from=${from}`, { method: 'PUT', headers, body });
    there = Boolean(((await sent.json()) as { file?: object | null }).file);
  }
  return there;
}

/** A hundred uploads of five megabytes at once, in pieces as a browser sends them, through one web process. */
export async function measureUploads(base: string, cookie: string, pid: number): Promise<Uploaded> {
  const restingMb = residentMb(pid);
  let mostMb = restingMb;
  const timer = setInterval(() => (mostMb = Math.max(mostMb, residentMb(pid))), 50);
  const began = performance.now();
  const arrived = await Promise.all(Array.from({ length: UPLOADS }, (_, n) => upload(base, cookie, n)));
  const seconds = (performance.now() - began) / 1_000;
  clearInterval(timer);
  return { arrived: arrived.filter(Boolean).length, seconds, restingMb, mostMb };
}
