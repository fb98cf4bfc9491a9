import { createHash } from 'node:crypto';
import { mkdirSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

export const ROOT = process.cwd();

/**
 * Where a run keeps its files: the demo's in `.pulpit`, the tests' in `.pulpit/test` (and `.pulpit/test2`, for the second of the
 * browser tests' servers), the bench's in `.pulpit/bench` and `.pulpit/large`. What one person has for themselves lies in `.pulpit/mine`, or where
 * PULPIT_MINE_FOLDER says.
 */
export type Run = 'demo' | 'mine' | 'test' | 'test2' | 'bench' | 'large';

export function stateFolder(run: Run): string {
  const own = run === 'mine' ? process.env.PULPIT_MINE_FOLDER : undefined;
  const folder = own ? resolve(own) : run === 'demo' ? join(ROOT, '.pulpit') : join(ROOT, '.pulpit', run);
  mkdirSync(folder, { recursive: true });
  return folder;
}

/** Which installation a command is about: the one for oneself alone, or the other. */
export const runOf = (args: readonly string[]): 'demo' | 'mine' =>
  args.includes('--mine') ? 'mine' : 'demo';

export const isRoot = () => process.getuid?.() === 0;

/** Whether any user may walk down to a folder: what root starts runs as other users, who must. */
export function reachableByAll(folder: string): boolean {
  for (let at = folder; ; at = dirname(at)) {
    if ((statSync(at).mode & 0o001) === 0) return false;
    if (at === dirname(at)) return true;
  }
}

/** The cluster's folder: inside the project, or under /var/lib where the database's user cannot reach the project. */
export function clusterFolder(run: Run): string {
  const inside = join(stateFolder(run), 'cluster');
  if (!isRoot() || reachableByAll(stateFolder(run))) return inside;
  const mark = createHash('sha256').update(ROOT).digest('hex').slice(0, 10);
  return join('/var/lib', `pulpit-${mark}`, run);
}

export const PORTS: Record<Run, { web: number; database: number }> = {
  demo: { web: 4170, database: 54170 },
  mine: { web: 4240, database: 54240 },
  test: { web: 4180, database: 54180 },
  // Not 4190: browsers and fetch refuse to speak to that port.
  test2: { web: 4186, database: 54186 },
  bench: { web: 4200, database: 54200 },
  large: { web: 4220, database: 54220 },
};
