import type { APIRequestContext } from '@playwright/test';
import { fork, spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { join } from 'node:path';
import { emailOf, DEMO_PASSWORD } from '@/standins/world/people';
import { SLOW, type Slow } from '../fixtures/slow-inputs';
import type { Asked, Order, Times } from './ask-beside';
import { startAfresh } from './help';
import { expect, test } from './test';

test.beforeAll(() => startAfresh());

/** The most that 95 of 100 answers of /health may take, and the most of any, beyond what a bare server's take meanwhile. */
const HEALTH_MS = 100;
const LONGEST_MS = 1_000;

const started: ChildProcess[] = [];
test.afterAll(() => started.forEach((child) => child.kill()));

/** A server that does nothing but answer, in a process of its own: what it takes is the machine's and not ours. */
async function bareServer(): Promise<string> {
  const program = `const s = require('node:http').createServer((_, a) => a.end('well\\n'));
s.listen(0, '127.0.0.1', () => process.stdout.write(String(s.address().port)));`;
  const child = spawn(process.execPath, ['-e', program], { stdio: ['ignore', 'pipe', 'inherit'] });
  const [port] = (await once(child.stdout, 'data')) as [Buffer];
  started.push(child);
  return `http://127.0.0.1:${port.toString()}/`;
}

// Some fifty inputs, of which the worst use up the two or ten seconds they have.
test.setTimeout(420_000);

const file = (name: string, mimeType: string, buffer: Buffer) => ({
  multipart: { file: { name, mimeType, buffer } },
});

/** Sends one thing as its way in takes it. */
async function send(as: APIRequestContext, { way, name, content }: Slow): Promise<number> {
  const ending =
    content.subarray(0, 2).toString() === 'PK'
      ? 'docx'
      : content.subarray(0, 4).toString() === '%PDF'
        ? 'pdf'
        : content.subarray(0, 6).toString() === '<html>'
          ? 'html'
          : 'md';
  const options = { timeout: 60_000, maxRedirects: 0 };
  switch (way) {
    case 'calendar':
      return (
        await as.post('/calendar/busy', { ...options, ...file('a.ics', 'text/calendar', content) })
      ).status();
    case 'words':
      return (
        await as.post('/courses/geo-115/written', {
          ...options,
          ...file(`${name}.${ending}`, 'application/octet-stream', content),
        })
      ).status();
    case 'prompt': {
      const taken = await as.post('/outside/intakes', {
        ...options,
        multipart: { text: content.toString() },
      });
      const to = taken.headers().location ?? '/';
      // What was taken is read when its page is made.
      return (await as.get(to, { timeout: 60_000 })).status();
    }
    case 'draft': {
      const doc = {
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: content.toString() }] }],
      };
      const kept = await as.put('/discussions/geo-115-w6/draft', {
        ...options,
        data: {
          kind: 'response',
          parent: null,
          submission: randomUUID(),
          title: '',
          doc,
          base: 0,
          conflict: 'replace',
        },
      });
      await as.get('/discussions/geo-115-w6/response', { timeout: 60_000 });
      return kept.status();
    }
    case 'notes': {
      await as.post('/readings/geo-room-for-the-river/notes/import', {
        ...options,
        ...file('notes.jsonld', 'application/ld+json', content),
      });
      return (await as.get('/readings/geo-room-for-the-river', { timeout: 60_000 })).status();
    }
    case 'sources':
      return (
        await as.post('/discussions/geo-115-w6/sources', { ...options, data: { pasted: content.toString() } })
      ).status();
    case 'pasted':
      return 0;
  }
}

const quantile = (all: number[], part: number) =>
  [...all].sort((a, b) => a - b)[Math.floor((all.length - 1) * part)] ?? 0;
const median = (all: number[]) => quantile(all, 0.5);

/** Somebody who watches, in a process of their own: what these tests do costs none of their answers time. */
function beside(asked: Asked[]) {
  const child = fork(join(import.meta.dirname, 'ask-beside.ts'), { execArgv: ['--import', 'tsx'] });
  started.push(child);
  const order = (what: Order) => void child.send(what);
  const gone = once(child, 'exit').then(() => {
    throw new Error('Whoever watched has ended in the middle.');
  });
  gone.catch(() => {});
  const answer = async () => ((await Promise.race([once(child, 'message'), gone])) as [Times])[0];
  return {
    rounds: (rounds: number) => {
      order({ asked, rounds });
      return answer();
    },
    /** Asks as long as something lasts. */
    during: async (lasts: Promise<unknown>) => {
      order({ asked });
      const times = answer();
      await lasts.finally(() => order('end'));
      return times;
    },
  };
}

async function visit(as: APIRequestContext, path: string) {
  expect((await as.get(path)).ok()).toBe(true);
}

async function signedIn(make: () => Promise<APIRequestContext>, who: string) {
  const as = await make();
  await as.post('/sign-in/enter', { form: { email: emailOf(who), password: DEMO_PASSWORD, to: '/clock' } });
  return as;
}

test('whatever one person sends to be read, nobody else waits for it', async ({ playwright, baseURL }) => {
  const base = baseURL ?? '';
  const make = () => playwright.request.newContext({ baseURL: base });
  const sender = await signedIn(make, 'Imani Okoro');
  const other = await signedIn(make, 'Noor Vasquez');
  // What is loaded at a first visit is loaded before.
  for (const path of [
    '/',
    '/',
    '/',
    '/outside/new',
    '/readings/geo-room-for-the-river',
    '/discussions/geo-115-w6/response',
  ])
    await visit(sender, path);
  const { cookies } = await other.storageState();
  const watching = beside([
    { name: 'health', url: `${base}/health` },
    { name: 'bare', url: await bareServer() },
    {
      name: 'week',
      url: `${base}/`,
      cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; '),
    },
  ]);
  await watching.rounds(5);
  // What is usual is measured between the inputs: what else the machine does weighs on both alike.
  const usual: Times = {};
  const meanwhile: Times = {};
  const add = (to: Times, times: Times) =>
    Object.entries(times).forEach(([name, list]) => (to[name] ??= []).push(...list));
  const lines: { line: string; most: number }[] = [];
  for (const thing of SLOW) {
    add(usual, await watching.rounds(3));
    const began = performance.now();
    const sending = send(sender, thing);
    const now = await watching.during(sending);
    const status = await sending;
    add(meanwhile, now);
    const most = Math.max(0, ...(now.health ?? []));
    const line = `${thing.way}, ${thing.name}: ${status}, ${Math.round(performance.now() - began)} ms, /health at most ${Math.round(most)} ms`;
    lines.push({ line, most });
    // Never an error: it was read, or it is said that it was not.
    expect(status, line).toBeLessThan(500);
  }
  const said = (name: string, times: Times) => {
    const all = times[name] ?? [];
    return `median ${median(all).toFixed(1)} ms, p95 ${quantile(all, 0.95).toFixed(1)}, p99 ${quantile(all, 0.99).toFixed(1)}, most ${Math.max(...all).toFixed(1)} of ${all.length}`;
  };
  const measured = ['health', 'bare', 'week'].map(
    (name) => `${name}: ${said(name, meanwhile)}; between the inputs ${said(name, usual)}`,
  );
  console.log([...lines.map(({ line }) => line), ...measured].join('\n'));
  const worst = [...lines].sort((a, b) => b.most - a.most).slice(0, 2);
  const inWords = [...measured, ...worst.map(({ line }) => line)].join('\n');
  const { health = [], bare = [], week = [] } = meanwhile;
  // What takes the processors beside this test weighs on a bare server's answers in the same moments, so that it counts for both.
  expect(quantile(health, 0.95), inWords).toBeLessThanOrEqual(HEALTH_MS + quantile(bare, 0.95));
  expect(Math.max(...health), inWords).toBeLessThanOrEqual(LONGEST_MS + Math.max(...bare));
  expect(median(week), inWords).toBeLessThanOrEqual(2 * median(usual.week ?? []));
});
