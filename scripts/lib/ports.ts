import { createServer } from 'node:net';

export const isFree = (port: number) =>
  new Promise<boolean>((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/** The first free port from a number on. */
export async function freePort(from: number): Promise<number> {
  for (let port = from; port < from + 200; port += 1) if (await isFree(port)) return port;
  throw new Error(`no free port from ${from} on`);
}
