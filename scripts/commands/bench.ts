import autocannon from 'autocannon';
import { connect } from '@/db/connection';
import { migrate } from '@/db/migrate';
import { moveClock } from '@/server/clock/clock';
import { signInAsDemoPerson } from '@/server/sessions/sessions';
import { offeredPeople } from '@/server/sessions/offered';
import { DEMO_START, seedWorld } from '@/standins/world/seed';
import { ensureBuild, sourceMark } from '../lib/build';
import { createDatabase, realClock } from '../lib/database';
import { ensurePackages } from '../lib/debian';
import { PORTS } from '../lib/places';
import { freePort } from '../lib/ports';
import { removeCluster, startCluster } from '../lib/postgres';
import { say } from '../lib/say';
import { runningWeb, startWeb, stopWeb } from '../lib/web';

export const help = `./pulpit bench

Measures the pages with a database and server of their own, each against a bare server-rendered page with one query
in the same run: this machine is shared, so only the ratios mean something. Rounds of the bare page and of the page
alternate; of each the median p95 is taken.`;

const ROUNDS = 5;
const SECONDS = 4;
const CONNECTIONS = 4;

const PAGES: [string, string][] = [
  ['This week', '/'],
  ['Discussions', '/discussions'],
  ['Your response', '/discussions/geo-115-w6/response'],
  ['Conversation', '/discussions/pla-204-w6/conversation?post=178'],
  ['Your part', '/discussions/geo-115-w5/part'],
];

const median = (numbers: number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? NaN;

type Measured = { p50: number; p95: number; perSecond: number };

/** One round against an address: autocannon gives no p95 of its own, so every answer's time is kept. */
async function measure(url: string, cookie: string): Promise<Measured> {
  const latencies: number[] = [];
  let wrong = 0;
  await new Promise<void>((resolve, reject) => {
    const run = autocannon(
      { url, connections: CONNECTIONS, duration: SECONDS, headers: { cookie } },
      (error: unknown) => (error ? reject(error) : resolve()),
    );
    run.on('response', (_client, status, _bytes, ms) => {
      if (status !== 200) wrong += 1;
      latencies.push(ms);
    });
  });
  if (wrong) throw new Error(`${url} answered ${wrong} requests with something else than 200`);
  const sorted = latencies.sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(sorted.length * share)] ?? NaN;
  return { p50: at(0.5), p95: at(0.95), perSecond: sorted.length / SECONDS };
}

async function compare(base: string, path: string, cookie: string) {
  const bare: Measured[] = [];
  const page: Measured[] = [];
  for (let i = 0; i < ROUNDS; i += 1) {
    bare.push(await measure(`${base}/bench/bare`, cookie));
    page.push(await measure(`${base}${path}`, cookie));
  }
  const of = (list: Measured[], key: keyof Measured) => median(list.map((m) => m[key]));
  return {
    bare: of(bare, 'p95'),
    page: of(page, 'p95'),
    ratio: of(page, 'p95') / of(bare, 'p95'),
    ratio50: of(page, 'p50') / of(bare, 'p50'),
    perSecond: of(page, 'perSecond'),
  };
}

export async function run(): Promise<number> {
  await ensurePackages({ postgres: true, chromium: false });
  removeCluster('bench');
  try {
    const url = await startCluster('bench');
    await createDatabase(url, 'pulpit');
    const db = connect(url, { poolMax: 2 });
    let token = '';
    try {
      await migrate(db);
      await seedWorld(db, DEMO_START);
      await moveClock(db, realClock, DEMO_START);
      const deps = { db, now: DEMO_START };
      const [first] = await offeredPeople(deps);
      const session = first && (await signInAsDemoPerson(deps, first.id));
      if (!session?.ok) throw new Error('nobody to sign in as');
      token = session.value.token;
      await db.raw('analyze');
    } finally {
      await db.destroy();
    }
    const port = await freePort(PORTS.bench.web);
    const slot = ensureBuild(runningWeb('demo')?.slot ?? null);
    const env = { DATABASE_URL: url, PULPIT_DEMO: '1', PULPIT_BENCH: '1' };
    await startWeb('bench', { port, slot, mark: sourceMark(), env });
    const base = `http://127.0.0.1:${port}`;
    const cookie = `pulpit-session=${token}`;
    for (const path of ['/bench/bare', ...PAGES.map(([, p]) => p)]) await measure(`${base}${path}`, cookie);

    say(
      `${CONNECTIONS} connections, median of ${ROUNDS} rounds of ${SECONDS} s; the bare page is measured beside each.\n`,
    );
    say('page             bare p95    page p95    ratio p95   ratio p50   pages/s');
    let worst = 0;
    for (const [name, path] of PAGES) {
      const m = await compare(base, path, cookie);
      if (path === '/') worst = m.ratio;
      const cell = (text: string) => text.padStart(9);
      say(
        `${name.padEnd(14)}${cell(m.bare.toFixed(1))} ms${cell(m.page.toFixed(1))} ms${cell(m.ratio.toFixed(2))}   ${cell(m.ratio50.toFixed(2))}   ${cell(m.perSecond.toFixed(0))}`,
      );
    }
    say(`\nThis week stays under 3 times the bare page: ${worst <= 3 ? 'yes' : 'NO'} (${worst.toFixed(2)}).`);
    return worst <= 3 ? 0 : 1;
  } finally {
    await stopWeb('bench');
    removeCluster('bench');
  }
}
