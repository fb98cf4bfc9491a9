import { spawn } from 'node:child_process';
import { existsSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Slot } from './build';
import { ROOT, stateFolder, type Run } from './places';
import { isOurs, wait } from './run';
import { ownUserOf, places } from './web';

const ENTRY = join(ROOT, 'src/workers/jobs.ts');
const file = (run: Run) => join(stateFolder(run), 'jobs.pid');

/** The job process of a run, if it lives. */
export function runningJobs(run: Run): number | null {
  if (!existsSync(file(run))) return null;
  const pid = Number(readFileSync(file(run), 'utf8'));
  return isOurs(pid, ENTRY) ? pid : null;
}

/** Starts the process that makes clips, sends mail and sweeps. What waited while none ran is done now. */
export function startJobs(
  run: Run,
  { port, slot, env }: { port: number; slot: Slot; env: Record<string, string> },
) {
  const out = openSync(join(stateFolder(run), 'jobs.log'), 'a', 0o600);
  const child = spawn(process.execPath, ['--import', 'tsx', ENTRY], {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', out, out],
    ...ownUserOf(run),
    env: { ...process.env, PULPIT_BUILD_DIR: slot, ...places(run, port), ...env },
  });
  child.unref();
  if (child.pid !== undefined) writeFileSync(file(run), String(child.pid));
}

/** Ends it by its process id, gently first: a job that is under way goes back to the queue. */
export async function stopJobs(run: Run) {
  const pid = runningJobs(run);
  if (pid !== null) {
    process.kill(pid, 'SIGTERM');
    for (let tries = 0; tries < 60 && runningJobs(run) !== null; tries += 1) await wait(100);
    if (runningJobs(run) !== null) process.kill(pid, 'SIGKILL');
  }
  rmSync(file(run), { force: true });
}
