import autocannon from 'autocannon';
import type { Knex } from 'knex';
import { connect } from '@/db/connection';
import { migrate } from '@/db/migrate';
import { moveClock } from '@/server/clock/clock';
import { signInAsDemoPerson } from '@/server/sessions/sessions';
import { offeredPeople } from '@/server/sessions/offered';
import { DEMO_START, seedWorld } from '@/standins/world/seed';
import { ensureBuild, sourceMark } from '../lib/build';
import { createDatabase, realClock, withDatabase } from '../lib/database';
import { ensurePackages } from '../lib/debian';
import { PORTS } from '../lib/places';
import { freePort } from '../lib/ports';
import { removeCluster, startCluster } from '../lib/postgres';
import { say } from '../lib/say';
import { servingUrl } from '../lib/serving';
import { SCALE, seedScale } from '../lib/scale';
import { measureConversation } from '../lib/conversation-bench';
import { ROOM, seedConversation, sessionsOf } from '../lib/conversation-seed';
import { measurePhone } from '../lib/phone';
import { measureReading } from '../lib/reading';
import { measureTyping } from '../lib/typing';
import { measureUploads } from '../lib/uploads';
import { runningWeb, startWeb, stopWeb } from '../lib/web';

export const help = `./pulpit bench [--scale] [--typing] [--reading] [--uploads] [--phone] [--conversation] [PAGE …]

Measures the pages with a database and server of their own, each against a bare server-rendered page with one query
in the same run: this machine is shared, so only the ratios mean something. Rounds of the bare page and of the page
alternate; of each the median p95 is taken. PAGE names the pages to measure, for example: week plan.

  --scale   lays out ${SCALE.courses} courses of ${SCALE.students} students and ${SCALE.weeks} weeks beside the demo, and measures This week and
            Discussions in both: no page may cost more than 1.5 times as much for the size of other people's work
  --typing  types into drafts of 2,000 and 5,000 words in a browser, and measures each key and nothing else
  --reading reads every labelled prompt and reply in a browser's worker, and places the replies by their meaning, and nothing else
  --uploads sends a hundred files of 5 MB at once through one web process, and measures its memory and nothing else
  --phone   opens This week as a phone does (a processor four times as slow, 1.6 Mbit/s), for the first time and with everything kept,
            counts the scripts it is sent, and nothing else
  --conversation lays out a discussion of 2,000 posts and measures it, 500 who listen to it and 200 who share at its deadline,
            through two web processes, and nothing else`;

const ROUNDS = 5;
const SECONDS = 4;
const CONNECTIONS = 4;

const PAGES: [string, string][] = [
  ['This week', '/'],
  ['Discussions', '/discussions'],
  ['Your response', '/discussions/geo-115-w6/response'],
  ['Conversation', '/discussions/pla-204-w6/conversation?post=178'],
  ['Your part', '/discussions/geo-115-w5/part'],
  ['Course', '/courses/geo-115'],
  ['Calendar', '/calendar'],
  ['Plan', '/calendar/plan'],
  ['Find', '/find?q=levee'],
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

/** The pages that must not grow with the college, in the demo and in the large one by turns. */
async function compareScale(demo: string, large: string, cookies: { demo: string; large: string }) {
  say('\npage             demo p50    large p50    ratio p50   demo p95   large p95   ratio p95');
  let worst = 0;
  for (const [name, path] of PAGES.slice(0, 2)) {
    const small: Measured[] = [];
    const big: Measured[] = [];
    for (let i = 0; i < ROUNDS; i += 1) {
      small.push(await measure(`${demo}${path}`, cookies.demo));
      big.push(await measure(`${large}${path}`, cookies.large));
    }
    const of = (list: Measured[], key: keyof Measured) => median(list.map((m) => m[key]));
    const ratio = (key: keyof Measured) => of(big, key) / of(small, key);
    worst = Math.max(worst, ratio('p50'));
    const cell = (n: number) => n.toFixed(1).padStart(9);
    say(
      `${name.padEnd(14)}${cell(of(small, 'p50'))} ms ${cell(of(big, 'p50'))} ms    ${ratio('p50').toFixed(2).padStart(6)}  ${cell(of(small, 'p95'))} ms${cell(of(big, 'p95'))} ms    ${ratio('p95').toFixed(2)}`,
    );
  }
  say(
    `\nThe large college costs at most 1.5 times the demo: ${worst <= 1.5 ? 'yes' : 'NO'} (${worst.toFixed(2)}).`,
  );
  return worst <= 1.5;
}

/** Typing has limits of its own: what a writer feels at every key. */
async function compareTyping(base: string, token: string): Promise<boolean> {
  const cookie = { name: 'pulpit-session', value: token };
  say(
    '\ntyping, p95       key to footing   the thread a key   without checks   a bare page   checks (median)',
  );
  const short = await measureTyping(base, cookie, 2_000);
  const long = await measureTyping(base, cookie, 5_000);
  for (const t of [short, long]) {
    const cell = (n: number, width: number) => `${n.toFixed(1)} ms`.padStart(width);
    say(
      `${`${t.words} words`.padEnd(14)}${cell(t.footing, 18)}${cell(t.key, 19)}${cell(t.unchecked, 17)}${cell(t.bare, 14)}${cell(t.checks, 18)}`,
    );
  }
  const good = short.footing <= 50 && short.checks <= 4 && long.key <= 16;
  say(
    `\nAt 2,000 words the footing follows within 50 ms and the checks hold the thread 4 ms at most; at 5,000 a key takes 16 ms at most: ${good ? 'yes' : 'NO'}.`,
  );
  return good;
}

/** So long a prompt may take, in a browser's worker as on the server. */
const PROMPT_MS = 20;

async function tellReading(): Promise<boolean> {
  const { prompts, replies, meanings } = await measureReading();
  const line = (what: string, t: typeof prompts) =>
    say(
      `${what.padEnd(46)}${String(t.of).padStart(5)}${t.middle.toFixed(1).padStart(9)} ms${t.p95.toFixed(1).padStart(9)} ms`,
    );
  say(`\n${''.padEnd(46)}${'texts'.padStart(5)}${'median'.padStart(12)}${'p95'.padStart(12)}`);
  line('a prompt read, in a browser’s worker', prompts);
  line('a reply judged by its words, there as well', replies);
  line('a reply placed by its meaning, on the server', meanings);
  const good = prompts.middle <= PROMPT_MS;
  say(`\nA prompt takes ${PROMPT_MS} ms at most, in the middle: ${good ? 'yes' : 'NO'}.`);
  return good;
}

/** What a phone may wait for, in milliseconds, and be sent of scripts, in thousands of bytes. */
const PHONE = { firstLoad: 4_000, coldStart: 1_500, weekScripts: 180, writingScripts: 420 };

async function tellPhone(base: string, token: string): Promise<boolean> {
  const told = await measurePhone(base, { name: 'pulpit-session', value: token });
  const line = (what: string, figure: number, unit: string, most: number | null) =>
    say(
      `${what.padEnd(58)}${figure.toFixed(0).padStart(7)} ${unit}${most === null ? '' : `  at most ${most}: ${figure <= most ? 'yes' : 'NO'}`}`,
    );
  say('');
  line('This week readable, first load at 1.6 Mbit/s', told.firstLoad, 'ms', PHONE.firstLoad);
  line('This week readable, everything kept', told.coldStart, 'ms', PHONE.coldStart);
  line('the bare page, first load at 1.6 Mbit/s', told.bare, 'ms', null);
  line('scripts of This week, as they travel', told.weekScripts, 'kB', PHONE.weekScripts);
  line('scripts of Your response, as they travel', told.writingScripts, 'kB', PHONE.writingScripts);
  return (
    told.firstLoad <= PHONE.firstLoad &&
    told.coldStart <= PHONE.coldStart &&
    told.weekScripts <= PHONE.weekScripts &&
    told.writingScripts <= PHONE.writingScripts
  );
}

/** Whether one web process takes a hundred files at once in the memory it may have. */
async function compareUploads(base: string, cookie: string): Promise<boolean> {
  const pid = runningWeb('bench')?.pid ?? 0;
  const up = await measureUploads(base, cookie, pid);
  const good = up.arrived === 100 && up.mostMb < 600;
  say(
    `\n${up.arrived} of 100 uploads of 5 MB arrived in ${up.seconds.toFixed(1)} s; the web process's memory went from ${up.restingMb.toFixed(0)} to ${up.mostMb.toFixed(0)} MB (under 600: ${good ? 'yes' : 'NO'}).`,
  );
  return good;
}

/** A room as large as they come, with its own database and two web processes. */
async function compareConversation(
  cluster: string,
  serve: (run: 'bench' | 'large', url: string) => Promise<string>,
) {
  await createDatabase(cluster, 'room');
  const url = withDatabase(cluster, 'room');
  const db = connect(url, { poolMax: 4 });
  try {
    await migrate(db);
    const { due } = await seedConversation(db, DEMO_START);
    await moveClock(db, realClock, DEMO_START);
    const cookies = await sessionsOf(db, DEMO_START, 250);
    const bases = [await serve('bench', url), await serve('large', url)];
    say(
      `\n${ROOM.posts} posts in ${ROOM.threads} threads; the baseline of the same run beside each figure.\n`,
    );
    say(
      `${'what'.padEnd(52)}${'figure'.padStart(10)}  ${''.padEnd(18)}${'baseline'.padStart(10)}${'limit'.padStart(8)}`,
    );
    const figures = await measureConversation(db, bases, cookies, { now: DEMO_START, due });
    for (const f of figures)
      say(
        `${f.name.padEnd(52)}${f.figure.toFixed(f.unit.startsWith('of') || f.unit === '' ? 0 : 1).padStart(10)}  ${f.unit.padEnd(18)}${(f.baseline === null ? '' : `${f.baseline.toFixed(1)} ms`).padStart(10)}${String(f.most).padStart(8)}  ${f.good ? 'yes' : 'NO'}`,
      );
    return figures.every((f) => f.good);
  } finally {
    await db.destroy();
  }
}

async function demoToken(db: Knex): Promise<string> {
  await migrate(db);
  await seedWorld(db, DEMO_START, null);
  await moveClock(db, realClock, DEMO_START);
  const deps = { db, now: DEMO_START };
  const [first] = await offeredPeople(deps);
  const session = first && (await signInAsDemoPerson(deps, first.id, 'bench'));
  if (!session?.ok) throw new Error('nobody to sign in as');
  await db.raw('analyze');
  return session.value.token;
}

async function largeToken(db: Knex): Promise<string> {
  await migrate(db);
  const began = performance.now();
  const { email, posts } = await seedScale(db, DEMO_START);
  await moveClock(db, realClock, DEMO_START);
  say(`Laid out the large college: ${posts} posts in ${((performance.now() - began) / 1_000).toFixed(1)} s.`);
  return openSessionFor(db, email);
}

async function openSessionFor(db: Knex, email: string): Promise<string> {
  await db('people').where({ email }).update({ demo_rank: 1 });
  const deps = { db, now: DEMO_START };
  const [person] = await offeredPeople(deps);
  const session = person && (await signInAsDemoPerson(deps, person.id, 'bench'));
  if (!session?.ok) throw new Error('nobody to sign in as');
  return session.value.token;
}

async function inDatabase<T>(url: string, name: string, work: (db: Knex) => Promise<T>) {
  await createDatabase(url, name);
  const own = withDatabase(url, name);
  const db = connect(own, { poolMax: 2 });
  try {
    return { url: own, token: await work(db) };
  } finally {
    await db.destroy();
  }
}

export async function run(args: string[]): Promise<number> {
  const typing = args.includes('--typing');
  const room = args.includes('--conversation');
  const reading = args.includes('--reading');
  const phone = args.includes('--phone');
  await ensurePackages({ postgres: !reading, chromium: typing || room || reading || phone });
  if (reading) return (await tellReading()) ? 0 : 1;
  removeCluster('bench');
  const scale = args.includes('--scale');
  try {
    const cluster = await startCluster('bench');
    const slot = ensureBuild(runningWeb('demo')?.slot ?? null);
    const serve = async (run: 'bench' | 'large', url: string) => {
      const port = await freePort(PORTS[run].web);
      const env = { DATABASE_URL: await servingUrl(url), PULPIT_DEMO: '1', PULPIT_BENCH: '1' };
      await startWeb(run, { port, slot, mark: sourceMark(), env });
      return `http://127.0.0.1:${port}`;
    };
    if (room) return (await compareConversation(cluster, serve)) ? 0 : 1;
    const demo = await inDatabase(cluster, 'pulpit', demoToken);
    const large = scale ? await inDatabase(cluster, 'large', largeToken) : null;
    const cookieOf = (token: string) => `pulpit-session=${token}`;
    const asked = args.filter((a) => !a.startsWith('--')).map((a) => a.toLowerCase());
    const pages = PAGES.filter(
      ([name]) => !asked.length || asked.some((a) => name.toLowerCase().includes(a)),
    );
    const cookie = cookieOf(demo.token);
    const base = await serve('bench', demo.url);
    if (args.includes('--uploads')) return (await compareUploads(base, cookie)) ? 0 : 1;
    if (phone) return (await tellPhone(base, demo.token)) ? 0 : 1;
    if (typing) return (await compareTyping(base, demo.token)) ? 0 : 1;
    for (const path of ['/bench/bare', ...pages.map(([, p]) => p)]) await measure(`${base}${path}`, cookie);

    let good = true;
    if (large) {
      const other = await serve('large', large.url);
      for (const [, path] of PAGES.slice(0, 2)) await measure(`${other}${path}`, cookieOf(large.token));
      good = await compareScale(base, other, { demo: cookie, large: cookieOf(large.token) });
    }
    say(
      `\n${CONNECTIONS} connections, median of ${ROUNDS} rounds of ${SECONDS} s; the bare page is measured beside each.\n`,
    );
    say('page             bare p95    page p95    ratio p95   ratio p50   pages/s');
    let week = 0;
    for (const [name, path] of pages) {
      const m = await compare(base, path, cookie);
      if (path === '/') week = m.ratio;
      const cell = (text: string) => text.padStart(9);
      say(
        `${name.padEnd(14)}${cell(m.bare.toFixed(1))} ms${cell(m.page.toFixed(1))} ms${cell(m.ratio.toFixed(2))}   ${cell(m.ratio50.toFixed(2))}   ${cell(m.perSecond.toFixed(0))}`,
      );
    }
    say(`\nThis week stays under 3 times the bare page: ${week <= 3 ? 'yes' : 'NO'} (${week.toFixed(2)}).`);
    return week <= 3 && good ? 0 : 1;
  } finally {
    await stopWeb('bench');
    await stopWeb('large');
    removeCluster('bench');
  }
}
