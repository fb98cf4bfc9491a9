import { once } from 'node:events';
import { Agent, request } from 'node:http';

/** Who is asked: an address, and as whom. */
export type Asked = { name: string; url: string; cookie?: string };
/** How long each answer took, in milliseconds, by the names asked. */
export type Times = Record<string, number[]>;
/** So many rounds, or as many as there are until it is told to end. */
export type Order = { asked: Asked[]; rounds?: number } | 'end';

/** As often as somebody who watches a server would ask, and no load of its own. */
const PAUSE_MS = 40;

const agent = new Agent({ keepAlive: true });

async function timed({ url, cookie }: Asked): Promise<number> {
  const began = performance.now();
  const asking = request(url, { agent, headers: cookie ? { cookie } : {} });
  asking.end();
  const [answer] = (await once(asking, 'response')) as [NodeJS.ReadableStream & { statusCode?: number }];
  answer.resume();
  await once(answer, 'end');
  if (answer.statusCode !== 200) throw new Error(`${url} answered ${answer.statusCode}`);
  return performance.now() - began;
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
