import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';

/** Who is asked: an address, and as whom. */
export type Asked = { name: string; url: string; cookie?: string };
/**
 * How long each answer took, in milliseconds, by the names asked: without what the machine's host gave to others meanwhile, as
 * nothing that runs here can take or give that.
 */
export type Times = Record<string, number[]>;
/** So many rounds, or as many as there are until it is told to end. */
export type Order = { asked: Asked[]; rounds?: number } | 'end';

/** As often as somebody who watches a server would ask, and no load of its own. */
const PAUSE_MS = 40;

const agent = new Agent({ keepAlive: true });

const STEAL = 8;
const MS_PER_TICK = 10;

/** What the host has taken from this machine's processors since it began, in milliseconds; nothing where no host says so. */
function takenByTheHost(): number {
  try {
    const [all = ''] = readFileSync('/proc/stat', 'utf8').split('\n', 1);
    return Number(all.split(/\s+/u)[STEAL] ?? 0) * MS_PER_TICK;
  } catch {
    return 0;
  }
}

async function answered(asked: Asked): Promise<void> {
  const { url, cookie } = asked;
  const asking = request(url, { agent, headers: cookie ? { cookie } : {} });
  asking.end();
  try {
    const [answer] = (await once(asking, 'response')) as [NodeJS.ReadableStream & { statusCode?: number }];
    answer.resume();
    await once(answer, 'end');
    if (answer.statusCode !== 200) throw new Error(`${url} answered ${answer.statusCode}`);
  } catch (error) {
    // The server may put away a connection that rests in the moment it is used again: every client then asks anew.
    if (!asking.reusedSocket || (error as NodeJS.ErrnoException).code !== 'ECONNRESET') throw error;
    await answered(asked);
  }
}

async function timed(asked: Asked): Promise<number> {
  const [began, taken] = [performance.now(), takenByTheHost()];
  await answered(asked);
  return Math.max(0, performance.now() - began - (takenByTheHost() - taken));
}

let ended = true;

async function ask(asked: Asked[], rounds: number) {
  const times: Times = {};
  ended = false;
  await Promise.all(
    asked.map(async (one) => {
      const own = (times[one.name] = [] as number[]);
      for (let i = 0; i < rounds && !ended; i += 1) {
        own.push(await timed(one));
        await new Promise((next) => setTimeout(next, PAUSE_MS));
      }
    }),
  );
  process.send?.(times);
}

// A program of its own, so that what it measures waits for nothing that the tests do.
process.on('message', (order: Order) => {
  if (order === 'end') ended = true;
  else void ask(order.asked, order.rounds ?? Infinity);
});
