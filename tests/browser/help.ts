import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { connect } from '@/db/connection';
import { instant } from '@/core/ids';
import { moveClock } from '@/server/clock/clock';
import { DEMO_PASSWORD, emailOf } from '@/standins/world/people';
import { DEMO_START } from '@/standins/world/seed';
import { expect, type Browser, type Page } from './test';
import { ownServer } from './server';
import { putBackFiles, putBackFresh } from '../../scripts/lib/fresh';
import { stateFolder } from '../../scripts/lib/places';

export const START = DEMO_START as number;
const realClock = { real: () => Date.now() };

/** The tests' own look into the database, while servers and browsers begin beside it: nobody waits for a page. */
export function database() {
  return connect(ownServer().database, { poolMax: 2, toConnectMs: 30_000 });
}

/** Nothing was sent yet. */
function emptyMailbox() {
  const folder = join(stateFolder(ownServer().run), 'mailbox');
  for (const name of existsSync(folder) ? readdirSync(folder) : [])
    rmSync(join(folder, name), { force: true });
}

/** Puts the demo world back as it was laid out, so that no test file depends on what another one did. */
export async function startAfresh() {
  const db = database();
  try {
    await putBackFresh(db);
    putBackFiles(ownServer().run);
    emptyMailbox();
    await moveClock(db, realClock, DEMO_START);
  } finally {
    await db.destroy();
  }
}

export async function setClock(at: number) {
  const db = database();
  try {
    await moveClock(db, realClock, instant(at));
  } finally {
    await db.destroy();
  }
}

/** Whom the demo lets in without a password, by name. */
let offered: Map<string, string> | null = null;

async function offeredPeople(): Promise<Map<string, string>> {
  const db = database();
  try {
    const rows: { id: string; name: string }[] = await db('people')
      .whereNotNull('demo_rank')
      .select('id', 'name');
    return new Map(rows.map((r) => [r.name, r.id]));
  } finally {
    await db.destroy();
  }
}

/** A person is signed in, as the sign-in page would do it, and stands on a page of theirs. */
export async function enterAs(page: Page, name: string, to = '/') {
  offered ??= await offeredPeople();
  const person = offered.get(name);
  const form: Record<string, string> = person
    ? { person }
    : { email: emailOf(name), password: DEMO_PASSWORD };
  // Where it leads to is not looked at here: the page goes there itself.
  const entered = await page.request.post('/sign-in/enter', { form: { ...form, to: '/clock' } });
  expect(entered.ok()).toBe(true);
  await page.goto(to);
  await expect(page).toHaveURL((url) => url.pathname + url.search === to);
}

/**
 * Loses the way of one request of a page's scripts: the server has it, and its answer never comes; or, with `before`, it never gets
 * there. It is done in the page itself, for what a service worker's page asks for does not always pass by a route. Takes hold with
 * the page that is opened next.
 */
export async function loseOne(
  page: Page,
  lost: { method: string; holding: string; before?: boolean },
): Promise<() => Promise<number>> {
  await page.addInitScript(({ method, holding, before }) => {
    const real = window.fetch.bind(window);
    const seen = window as typeof window & { lostRequests?: number };
    window.fetch = async (asked, how) => {
      const address = asked instanceof Request ? asked.url : String(asked);
      const fits = how?.method === method && address.includes(holding);
      if (!fits || seen.lostRequests) return real(asked, how);
      seen.lostRequests = 1;
      if (!before) await real(asked, how);
      throw new TypeError('Failed to fetch');
    };
  }, lost);
  return () => page.evaluate(() => (window as typeof window & { lostRequests?: number }).lostRequests ?? 0);
}

const THINGS =
  'meadow levee gauge ford sluice bridge village barn lane ditch bank field wall road mill'.split(' ');
const DEEDS = ['floods', 'holds', 'sinks', 'is dear', 'is let', 'was built', 'is old', 'lies low'];

/** So many words and a few more in sentences of which no two are the same: said again they would not count. */
export function sentencesOf(words: number, from = 0): string {
  const said: string[] = [];
  for (let i = from, n = 0; n < words; i += 1) {
    const one = THINGS[i % THINGS.length];
    const other = THINGS[(i * 7 + 3 + Math.floor(i / THINGS.length)) % THINGS.length];
    const sentence = `Where the ${one} ${DEEDS[i % DEEDS.length]}, the ${other} has to be paid for ${i + 2} times.`;
    said.push(sentence);
    n += sentence.split(' ').length;
  }
  return said.join(' ');
}

/** Somebody else, in a browser of their own. */
export async function another(browser: Browser, name: string, path: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, name, path);
  return page;
}

/** Once the jobs have learnt what the questions mean: within the minute, and here at once. */
export async function questionsLearnt() {
  const db = database();
  try {
    await db.raw(
      `select graphile_worker.add_job('learn-questions', '{}'::json, job_key := 'now learn-questions')`,
    );
    const unlearnt = async () =>
      Number((await db('questions').whereNull('meaning').where('kind', 'asks').count('*'))[0]?.count);
    await expect.poll(unlearnt, { timeout: 30_000 }).toBe(0);
  } finally {
    await db.destroy();
  }
}

/** Once the jobs have made what was recorded playable: how long that takes is the machine's, and that it is done at the first try is ours. */
export async function clipsMade() {
  const db = database();
  try {
    const left = async () => {
      const { rows } = await db.raw(
        `select (select count(*) from clips where state = 'waiting')::int as waiting,
           (select string_agg(last_error, ' ') from graphile_worker.jobs where task_identifier = 'make-clip') as failed`,
      );
      return rows[0] as { waiting: number; failed: string | null };
    };
    await expect.poll(left, { timeout: 90_000 }).toEqual({ waiting: 0, failed: null });
  } finally {
    await db.destroy();
  }
}
