import { connect } from '@/db/connection';
import { migrate } from '@/db/migrate';
import { moveClock } from '@/server/clock/clock';
import { DEMO_START, seedWorld } from '@/standins/world/seed';
import { ensureBuild, sourceMark } from '../lib/build';
import { createDatabase, realClock } from '../lib/database';
import { keepFresh } from '../lib/fresh';
import { ensurePackages } from '../lib/debian';
import { PORTS } from '../lib/places';
import { freePort } from '../lib/ports';
import { removeCluster, startCluster } from '../lib/postgres';
import { shown } from '../lib/run';
import { say } from '../lib/say';
import { runningWeb, startWeb, stopWeb } from '../lib/web';

export const help = `./pulpit test [STEP …]

Runs every check on this machine with a database and a port of its own, so that it can run while the demo runs.
Steps: format, lint, imports, types, unused, unit, browser. Without a name, all of them in that order.
./pulpit test unit -- ledger, ./pulpit test browser -- story: only files whose names hold the word.
Everything it needs from Debian's packages (PostgreSQL, Chromium, two calendar programs) it installs when it may.`;

const bin = (name: string) => `node_modules/.bin/${name}`;

type Step = { name: string; what: string; run: (only: string[]) => Promise<number> };

/** The database and, for the browser tests, a server with the demo world in it and its clock set. */
async function withDatabase<T>(work: (url: string) => Promise<T>): Promise<T> {
  removeCluster('test');
  try {
    return await work(await startCluster('test'));
  } finally {
    removeCluster('test');
  }
}

async function browser(url: string, only: string[]): Promise<number> {
  await createDatabase(url, 'pulpit');
  const db = connect(url, { poolMax: 4 });
  try {
    await migrate(db);
    await seedWorld(db, DEMO_START);
    await moveClock(db, realClock, DEMO_START);
    await keepFresh(db);
  } finally {
    await db.destroy();
  }
  const port = await freePort(PORTS.test.web);
  const slot = ensureBuild(runningWeb('demo')?.slot ?? null);
  const env = { DATABASE_URL: url, PULPIT_DEMO: '1' };
  await startWeb('test', { port, slot, mark: sourceMark(), env });
  try {
    return await shown(bin('playwright'), ['test', ...only], {
      env: {
        ...process.env,
        ...env,
        PULPIT_TEST_PORT: String(port),
        PULPIT_TEST_SLOT: slot,
        CI: process.env.CI ?? '',
      },
    });
  } finally {
    await stopWeb('test');
  }
}

const STEPS: Step[] = [
  {
    name: 'format',
    what: 'formatting',
    run: () => shown(bin('prettier'), ['--check', '--log-level=warn', '.']),
  },
  { name: 'lint', what: 'lint', run: () => shown(bin('eslint'), ['--max-warnings=0', '.']) },
  {
    name: 'imports',
    what: 'import rules',
    run: () =>
      shown(bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']),
  },
  {
    name: 'types',
    what: 'types',
    run: async () =>
      (await shown(bin('tsc'), ['--noEmit', '-p', 'src/core'])) || (await shown(bin('tsc'), ['--noEmit'])),
  },
  { name: 'unused', what: 'unused code', run: () => shown(bin('knip'), []) },
  {
    name: 'unit',
    what: 'unit, property and database tests',
    run: (only) =>
      withDatabase((url) =>
        shown(bin('jest'), only, { env: { ...process.env, PULPIT_TEST_DATABASE: url, NODE_ENV: 'test' } }),
      ),
  },
  { name: 'browser', what: 'browser tests', run: (only) => withDatabase((url) => browser(url, only)) },
];

export async function run(given: string[]): Promise<number> {
  const cut = given.indexOf('--');
  const args = cut < 0 ? given : given.slice(0, cut);
  const only = cut < 0 ? [] : given.slice(cut + 1);
  const unknown = args.find((a) => !STEPS.some((s) => s.name === a));
  if (unknown) {
    say(`There is no step "${unknown}".\n\n${help}`);
    return 2;
  }
  const steps = STEPS.filter((s) => args.length === 0 || args.includes(s.name));
  await ensurePackages({
    postgres: steps.some((s) => s.name === 'unit' || s.name === 'browser'),
    chromium: steps.some((s) => s.name === 'browser'),
    calendars: steps.some((s) => s.name === 'unit'),
  });
  const failed: string[] = [];
  for (const step of steps) {
    const started = Date.now();
    say(`\n— ${step.what}`);
    const code = await step.run(only);
    say(`  ${code === 0 ? 'good' : 'FAILED'} (${((Date.now() - started) / 1000).toFixed(1)} s)`);
    if (code !== 0) failed.push(step.what);
  }
  say(failed.length ? `\nFailed: ${failed.join(', ')}.` : '\nAll good.');
  say(`Steps: ${steps.length - failed.length} passed, ${failed.length} failed`);
  return failed.length ? 1 : 0;
}
