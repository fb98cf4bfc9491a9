import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { Logger, runOnce } from 'graphile-worker';
import type { Knex } from 'knex';
import { giveBackOfTheGone, noteAtWork } from '@/db/queries/jobs';
import { smallCourse } from './world';

let db: Knex;
let url: string;
beforeAll(async () => {
  ({ db } = await smallCourse('jobs_given_back'));
  url = db.client.config.connection.connectionString;
});
afterAll(() => db.destroy());

const held = () =>
  db('graphile_worker.jobs').whereNotNull('locked_by').pluck('locked_by') as Promise<string[]>;
const silentFor = (seconds: number) =>
  db('at_work').update({ seen_at: db.raw(`now() - ? * interval '1 second'`, [seconds]) });

/** A process that takes jobs and never ends one, until it is killed; what it is called in the queue is printed. */
const TAKES = `
  import { EventEmitter } from 'node:events';
  import { Logger, run } from 'graphile-worker';
  const events = new EventEmitter();
  events.on('job:start', ({ worker }) => console.log(worker.workerPool.id));
  await run({ connectionString: process.argv[1], concurrency: 1, events, noHandleSignals: true,
    logger: new Logger(() => () => undefined), taskList: { endless: () => new Promise(() => undefined) } });
`;

it('what a process had in hand that was killed is done by another a minute later, once; of who lives nothing is taken', async () => {
  await db.raw(`select graphile_worker.add_job('endless', '{}'::json)`);
  const taking = spawn(process.execPath, ['--input-type=module', '-e', TAKES, url], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const [said] = (await once(taking.stdout, 'data')) as [Buffer];
  const taker = said.toString().trim();
  await noteAtWork(db, [taker]);
  taking.kill('SIGKILL');
  await once(taking, 'exit');

  await silentFor(30);
  await giveBackOfTheGone(db);
  expect(await held()).toEqual([taker]);
  await silentFor(70);
  await noteAtWork(db, [taker]);
  await giveBackOfTheGone(db);
  expect(await held()).toEqual([taker]);

  await silentFor(70);
  await giveBackOfTheGone(db);
  expect(await held()).toEqual([]);
  let done = 0;
  const logger = new Logger(() => () => undefined);
  const alone = { connectionString: url, noHandleSignals: true, logger };
  for (let i = 0; i < 2; i += 1) await runOnce({ ...alone, taskList: { endless: () => void (done += 1) } });
  expect(done).toBe(1);
});

it('of whom nobody knows that they live or not, an earlier version’s say, nothing is taken', async () => {
  await db.raw(`select graphile_worker.add_job('endless', '{}'::json)`);
  await db.raw(
    `update graphile_worker._private_jobs set locked_by = 'a stranger', locked_at = now() - interval '1 hour'`,
  );
  await silentFor(70);
  await giveBackOfTheGone(db);
  expect(await held()).toEqual(['a stranger']);
});
