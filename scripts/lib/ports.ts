import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const isFree = (port: number) =>
  new Promise<boolean>((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

const isAlive = (pid: number) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

const claimed = new Set<string>();
process.once('exit', () => claimed.forEach((claim) => rmSync(claim, { force: true })));

/**
 * Takes a port for this process before anything listens on it: another checkout that looks for one in the same moment passes
 * it by. What a process that has ended left behind holds nobody up.
 */
function claim(port: number): boolean {
  const file = join(tmpdir(), `pulpit-port-${port}`);
  if (claimed.has(file)) return false;
  for (let tries = 0; tries < 2; tries += 1) {
    try {
      writeFileSync(file, String(process.pid), { flag: 'wx' });
      claimed.add(file);
      return true;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') return true;
      if (isAlive(Number(readFileSync(file, 'utf8')))) return false;
      rmSync(file, { force: true });
    }
  }
  return false;
}

/** The first port from a number on that is free, and taken for this process. */
export async function freePort(from: number): Promise<number> {
  for (let port = from; port < from + 200; port += 1) if ((await isFree(port)) && claim(port)) return port;
  throw new Error(`no free port from ${from} on`);
}
