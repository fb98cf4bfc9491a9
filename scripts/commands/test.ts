import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { connect } from '@/db/connection';
import { migrate } from '@/db/migrate';
import { moveClock } from '@/server/clock/clock';
import { folderStore } from '@/server/files/folder-store';
import { DEMO_START, seedWorld } from '@/standins/world/seed';
import { ensureBuild, sourceMark } from '../lib/build';
import { createDatabase, realClock, withDatabase as named } from '../lib/database';
import { freshFiles, keepFresh, putBackFiles } from '../lib/fresh';
import { ensurePackages } from '../lib/debian';
import { startJobs, stopJobs } from '../lib/jobs';
import { PORTS, stateFolder, type Run } from '../lib/places';
import { freePort } from '../lib/ports';
import { removeCluster, startCluster } from '../lib/postgres';
import { quiet, shown } from '../lib/run';
import { MIGRATED } from '../../tests/database/template';
import type { TestServer } from '../../tests/browser/server';
import { say } from '../lib/say';
import { servingUrl } from '../lib/serving';
import { tryUpgrade } from '../lib/upgrade';
import { runningWeb, startWeb, stopWeb } from '../lib/web';

export const help = `./pulpit test [STEP …]

Runs every check on this machine with a database and a port of its own, so that it can run while the demo runs.
Steps: lint, types, format, imports, unused, unit, browser. Without a name, all of them.
./pulpit test unit -- ledger, ./pulpit test browser -- story: only files whose names hold the word.
./pulpit test upgrade -- REVISION: from that version to this one, while a web process of that one serves (about four minutes).
Everything it needs from Debian's packages (PostgreSQL, Chromium, ffmpeg, LibreOffice, two calendar
programs, a feed and a mail reader) it installs when it may.`;

const bin = (name: string) => `node_modules/.bin/${name}`;

/** The compiler in its native form, by its place: the linter brings the older one, under the same name. */
const TSC = '../typescript-native/bin/tsc';

type Step = {
  name: string;
  what: string;
  look?: boolean;
  /** Only where it is asked for by name. */
  asked?: boolean;
  run: (only: string[]) => Promise<number>;
};

/** The browser tests run in two processes, each with a server and a copy of the demo world of its own. */
const SERVERS: Run[] = ['test', 'test2'];

/** The database and, for the browser tests, a server with the demo world in it and its clock set. */
async function withDatabase<T>(work: (url: string) => Promise<T>): Promise<T> {
  // A run that was killed left its own behind.
  for (const run of SERVERS) {
    await stopWeb(run);
    await stopJobs(run);
    rmSync(join(stateFolder(run), 'mailbox'), { recursive: true, force: true });
  }
  removeCluster('test');
  try {
    return await work(await startCluster('test'));
  } finally {
    removeCluster('test');
  }
}

/** What every database test begins with a copy of, so that none of them has to build the tables again. */
async function layOutTemplate(url: string) {
  await createDatabase(url, MIGRATED);
  const db = connect(named(url, MIGRATED), { poolMax: 2 });
  try {
    await migrate(db);
  } finally {
    await db.destroy();
  }
}

async function browser(url: string, only: string[]): Promise<number> {
  await createDatabase(url, 'pulpit');
  const db = connect(url, { poolMax: 4 });
  try {
    await migrate(db);
    await seedWorld(db, DEMO_START, folderStore(freshFiles()));
    await moveClock(db, realClock, DEMO_START);
    await keepFresh(db);
  } finally {
    await db.destroy();
  }
  const slot = ensureBuild(runningWeb('demo')?.slot ?? null);
  const servers: TestServer[] = [];
  try {
    for (const run of SERVERS) {
      const name = run === 'test' ? 'pulpit' : `pulpit_${run}`;
      if (run !== 'test') await createDatabase(url, name, 'pulpit');
      const server = { run, port: await freePort(PORTS[run].web), slot, database: named(url, name) };
      servers.push(server);
      putBackFiles(run);
    }
    for (const server of servers) {
      const serving = { DATABASE_URL: await servingUrl(server.database), PULPIT_DEMO: '1' };
      await startWeb(server.run, { port: server.port, slot, mark: sourceMark(), env: serving });
      startJobs(server.run, { port: server.port, slot, env: serving });
    }
    const red = join(stateFolder('test'), 'red.txt');
    const ran = join(stateFolder('test'), 'ran.txt');
    for (const file of [red, ran]) rmSync(file, { force: true });
    const env = {
      ...process.env,
      PULPIT_TEST_SERVERS: JSON.stringify(servers),
      PULPIT_TEST_RED: red,
      PULPIT_TEST_RAN: ran,
      CI: process.env.CI ?? '',
    };
    const ended: number[] = [];
    for (const project of ['stories', 'measured'])
      ended.push(
        await shown(bin('playwright'), ['test', `--project=${project}`, '--pass-with-no-tests', ...only], {
          env,
        }),
      );
    // Said once more at the end: a log that is read from there names them.
    if (existsSync(red)) say(`\nRed:\n${readFileSync(red, 'utf8')}`);
    // One project may have none of those that were asked for; where both have none, nothing was tested.
    if (!existsSync(ran)) {
      say('No story was run: none has this name.');
      return 1;
    }
    return Math.max(...ended);
  } finally {
    for (const { run } of servers) {
      await stopWeb(run);
      await stopJobs(run);
    }
  }
}

/** Looks at the code without running it: two of these at a time, each heard when it is done. */
const look = (name: string, what: string, ...commands: [string, ...string[]][]): Step => ({
  name,
  what,
  look: true,
  run: async () => {
    for (const [program, ...args] of commands) {
      const { code, said } = await quiet(bin(program), args);
      if (code === 0) continue;
      say(said.trimEnd());
      return code;
    }
    return 0;
  },
});

const STEPS: Step[] = [
  look('lint', 'lint', ['eslint', '--max-warnings=0', '.']),
  look('types', 'types', [TSC, '--noEmit', '-p', 'src/core'], [TSC, '--noEmit']),
  look('format', 'formatting', ['prettier', '--check', '--log-level=warn', '.']),
  look('imports', 'import rules', [
    'depcruise',
    'src',
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'err',
  ]),
  look('unused', 'unused code', ['knip']),
  {
    name: 'unit',
    what: 'unit, property and database tests',
    run: (only) =>
      withDatabase(async (url) => {
        await layOutTemplate(url);
        return shown(bin('jest'), only, {
          env: { ...process.env, PULPIT_TEST_DATABASE: url, NODE_ENV: 'test' },
        });
      }),
  },
  { name: 'browser', what: 'browser tests', run: (only) => withDatabase((url) => browser(url, only)) },
  {
    name: 'upgrade',
    what: 'the upgrade from an earlier version, while it serves',
    asked: true,
    run: ([revision = 'HEAD~1']) => tryUpgrade(revision),
  },
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
  const steps = STEPS.filter((s) => (args.length === 0 ? !s.asked : args.includes(s.name)));
  await ensurePackages({
    postgres: steps.some((s) => s.name === 'unit' || s.name === 'browser' || s.name === 'upgrade'),
    chromium: steps.some((s) => s.name === 'browser'),
    calendars: steps.some((s) => s.name === 'unit'),
    office: steps.some((s) => s.name === 'unit'),
    feeds: steps.some((s) => s.name === 'unit'),
    readers: steps.some((s) => s.name === 'unit'),
    mail: steps.some((s) => s.name === 'unit'),
    ffmpeg: steps.some((s) => s.name === 'unit' || s.name === 'browser'),
  });
  const failed: string[] = [];
  const take = async (step: Step) => {
    const started = Date.now();
    if (!step.look) say(`\n— ${step.what}`);
    const code = await step.run(only);
    const name = step.look ? `— ${step.what}: ` : '  ';
    say(`${name}${code === 0 ? 'good' : 'FAILED'} (${((Date.now() - started) / 1000).toFixed(1)} s)`);
    if (code !== 0) failed.push(step.what);
  };
  const looks = steps.filter((s) => s.look);
  const lane = async () => {
    for (let step = looks.shift(); step; step = looks.shift()) await take(step);
  };
  await Promise.all([lane(), lane()]);
  for (const step of steps.filter((s) => !s.look)) await take(step);
  say(failed.length ? `\nFailed: ${failed.join(', ')}.` : '\nAll good.');
  say(`Steps: ${steps.length - failed.length} passed, ${failed.length} failed`);
  return failed.length ? 1 : 0;
}
