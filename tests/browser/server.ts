import type { Slot } from '../../scripts/lib/build';
import type { Run } from '../../scripts/lib/places';

/** A server that browser tests run against, with a database of its own. */
export type TestServer = { run: Run; port: number; slot: Slot; database: string };

/** The servers of this run, one for each process that runs tests; none outside a run. */
export const testServers = (): TestServer[] =>
  JSON.parse(process.env.PULPIT_TEST_SERVERS ?? '[]') as TestServer[];

/** The server of this process: no two processes ever share one. */
export function ownServer(): TestServer {
  const server = testServers()[Number(process.env.TEST_PARALLEL_INDEX ?? 0)];
  if (!server) throw new Error('There is no server for this test. Run: ./pulpit test browser');
  return server;
}
