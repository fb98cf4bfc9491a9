import { spawn } from 'node:child_process';
import { existsSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Slot } from './build';
import { ownUser } from './own-user';
import { ROOT, stateFolder, type Run } from './places';
import { isOurs, wait } from './run';
import { Told } from './say';

export type WebState = {
  pid: number;
  port: number;
  slot: Slot;
  mark: string;
  /** Whether it shows the demo. */ demo?: boolean;
};

/**
 * So long a connection rests before it is put away. Proxies put theirs away after a minute: where a server does so first, a request that is
 * just on its way finds nobody.
 */
const REST_MS = 75_000;
const NEXT = join(ROOT, 'node_modules/next/dist/bin/next');
const file = (run: Run) => join(stateFolder(run), 'web.json');

/** The server of a run, if it lives. */
export function runningWeb(run: Run): WebState | null {
  if (!existsSync(file(run))) return null;
  const state = JSON.parse(readFileSync(file(run), 'utf8')) as WebState;
  return isOurs(state.pid, NEXT) || isOurs(state.pid, 'next-server') ? state : null;
}

/** Whether a server answers on a port and has all it needs. */
export const isHealthy = async (port: number): Promise<boolean> => {
  try {
    return (await fetch(`http://127.0.0.1:${port}/ready`)).ok;
  } catch {
    return false;
  }
};

/** Where the files of a run's people lie. */
export const filesFolder = (run: Run) => process.env.PULPIT_FILES ?? join(stateFolder(run), 'files');

/** Where mail of a run lies that no server takes. */
const mailboxFolder = (run: Run) => process.env.PULPIT_MAILBOX ?? join(stateFolder(run), 'mailbox');

/** What a run's secrets are sealed with: in a folder that only its processes' user opens. */
export const secretFile = (run: Run) =>
  process.env.PULPIT_SECRET_FILE ?? join(stateFolder(run), 'keys', 'secret');

/** What both of a run's processes are told of where things lie, and under which address people reach it. */
export const places = (run: Run, port: number) => ({
  PULPIT_FILES: filesFolder(run),
  PULPIT_MAILBOX: mailboxFolder(run),
  PULPIT_SECRET_FILE: secretFile(run),
  PULPIT_ADDRESS: process.env.PULPIT_ADDRESS ?? `http://localhost:${port}`,
});

/** As whom a run's processes run, to whom the folders they write into belong. */
export const ownUserOf = (run: Run) =>
  ownUser([filesFolder(run), mailboxFolder(run), dirname(secretFile(run))]);

export async function startWeb(
  run: Run,
  options: { port: number; slot: Slot; mark: string; demo?: boolean; env: Record<string, string> },
): Promise<WebState> {
  const log = join(stateFolder(run), 'web.log');
  const out = openSync(log, 'a', 0o600);
  const address = ['-H', '127.0.0.1', '-p', String(options.port), '--keepAliveTimeout', String(REST_MS)];
  const child = spawn(process.execPath, [NEXT, 'start', ...address], {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', out, out],
    ...ownUserOf(run),
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      PULPIT_BUILD_DIR: options.slot,
      ...places(run, options.port),
      ...options.env,
    },
  });
  child.unref();
  if (child.pid === undefined)
    throw new Told('The web server could not be started: the machine has no room for another process.');
  const { port, slot, mark, demo } = options;
  const state: WebState = { pid: child.pid, port, slot, mark, demo };
  writeFileSync(file(run), JSON.stringify(state));
  for (let tries = 0; tries < 600; tries += 1) {
    // One that has ended answers nothing, whoever else may be answering on its port.
    if (child.exitCode !== null) break;
    if (await isHealthy(options.port)) return state;
    await wait(100);
  }
  throw new Told(`The web server did not come up. What it said is in ${log}.`);
}

/** Ends the run's server by its process id, gently first. */
export async function stopWeb(run: Run): Promise<boolean> {
  const state = runningWeb(run);
  if (!state) {
    rmSync(file(run), { force: true });
    return false;
  }
  process.kill(state.pid, 'SIGTERM');
  for (let tries = 0; tries < 50 && runningWeb(run); tries += 1) await wait(100);
  if (runningWeb(run)) process.kill(state.pid, 'SIGKILL');
  rmSync(file(run), { force: true });
  return true;
}
