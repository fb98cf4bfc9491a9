import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Logger, runOnce } from 'graphile-worker';
import type { Knex } from 'knex';
import { mailboxPort } from '@/server/mail/ports';
import { loadForms } from '@/server/mail/letter-html';
import { sendMail } from '@/server/mail/send';
import { keepUp } from '@/server/notices/keep-up';
import type { Actor } from '@/server/deps';
import { SENDING } from './college';
import { box, deps, joined, on, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

const CLASS = 2_000;
const STORM = 120;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-size-'));
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
beforeAll(async () => {
  await loadForms();
  world = await smallCourse('notices_size');
  db = world.db;
  const names = Array.from({ length: CLASS }, (_, i) => `Student ${String(i).padStart(4, '0')}`);
  const people = await joined(db, world.course, names);
  // All of them follow one of the two discussions, and hear of it at once.
  await db.raw(
    `insert into follows (course_id, discussion_id, person_id, thread_id, follows, way)
     select ?, ?, p, null, true, 'once' from unnest(?::uuid[]) p`,
    [world.course, world.discussion.open, people.map((p) => p.id)],
  );
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true, force: true });
});

const middle = (all: number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;

async function sharing(who: Actor, slug: string): Promise<number> {
  const from = performance.now();
  await shared(db, who, slug, 'Tue 10:00', shareInput(`some words ${Math.random()}`));
  return performance.now() - from;
}

/** Sends all that waits as the jobs' process does, and bare mails before and after, so that a busy moment is both their own; how long each took. */
async function sentBesideBare(): Promise<{ mails: number; took: number; bare: number }> {
  const port = mailboxPort(folder, 'Pulpit <pulpit@tidewell.example>');
  const mails = (await db('mails').whereNull('sent_at').pluck('id')).length;
  const before = await bareMails(CLASS / 10);
  const from = performance.now();
  await runOnce({
    connectionString: db.client.config.connection.connectionString,
    concurrency: 4,
    logger: new Logger(() => () => undefined),
    noHandleSignals: true,
    taskList: {
      'send-mail': async (payload) =>
        sendMail({ db, now: on('Tue 10:30'), box }, port, SENDING, (payload as { mail: string }).mail),
    },
  });
  const took = performance.now() - from;
  return { mails, took, bare: (before + (await bareMails(CLASS / 10))) * 5 };
}

/** How long so many mails of the same size take that nothing is asked of before, one after the other. */
async function bareMails(n: number): Promise<number> {
  const port = mailboxPort(mkdtempSync(join(folder, 'bare-')), 'Pulpit <pulpit@tidewell.example>');
  const from = performance.now();
  for (let i = 0; i < n; i += 1)
    await port.send({
      id: randomUUID(),
      to: { name: 'Imani', address: 'imani@tidewell.example' },
      subject: 'One new post',
      text: 'One new post.\n'.repeat(20),
      html: '<p>One new post.</p>'.repeat(600),
      headers: null,
      date: new Date(on('Tue 10:30')),
    });
  return performance.now() - from;
}

it('a share costs whoever shares no more where 2,000 follow, and what it tells is out within half a minute', async () => {
  const { imani, noor } = world.people;
  const silent: number[] = [];
  const popular: number[] = [];
  // One beside the other, so that a busy moment is both rooms'.
  for (let i = 0; i < 30; i += 1) {
    silent.push(await sharing(noor, SEALED));
    popular.push(await sharing(imani, OPEN));
  }
  const ratio = middle(popular.slice(4)) / middle(silent.slice(4));

  // One of these shares alone, and everybody it is told to.
  await db('posts_to_tell').delete();
  await sharing(imani, OPEN);
  const from = performance.now();
  await keepUp(deps(db, 'Tue 10:30'));
  const dealt = performance.now() - from;
  const { mails, took, bare } = await sentBesideBare();
  const out = dealt + took;
  console.log(
    `a share where ${CLASS} follow: ${middle(popular).toFixed(1)} ms, in a silent room ${middle(silent).toFixed(1)} (${ratio.toFixed(2)} times); told in ${(dealt / 1000).toFixed(1)} s, ${mails} mails out after ${(out / 1000).toFixed(1)} s; so many bare mails take ${(bare / 1000).toFixed(1)}`,
  );
  expect(mails).toBe(CLASS);
  expect(readdirSync(folder).filter((name) => name.endsWith('.eml'))).toHaveLength(CLASS);
  expect(ratio).toBeLessThan(1.2);
  // Half a minute on two quiet cores; on a machine that is busy with other things, by what a bare mail takes there just then.
  expect(out).toBeLessThan(Math.max(30_000, bare * 8));
});

it('a storm of shares is one mail to each, and every post of it is told', async () => {
  const { kwame, rafi } = world.people;
  const some = 200;
  await db.raw(
    `delete from follows where person_id not in (select person_id from follows order by person_id limit ${some})`,
  );
  await db('follows').update({ way: 'gathered' });
  for (let i = 0; i < STORM; i += 1) {
    await shared(db, i % 2 ? kwame : rafi, OPEN, 'Tue 11:00', shareInput(`a storm ${i}`));
    if (i % 40 === 0) await keepUp(deps(db, 'Tue 11:01'));
  }
  await keepUp(deps(db, 'Tue 11:02'));
  await keepUp(deps(db, 'Tue 13:00'));
  const { rows } = await db.raw(
    `select count(*) as mails, count(distinct about ->> 'person') as people from mails where made_at >= ?::timestamptz`,
    [new Date(on('Tue 11:00')).toISOString()],
  );
  expect(Number(rows[0].mails)).toBe(Number(rows[0].people));
  expect(Number(rows[0].mails)).toBeGreaterThanOrEqual(some);
  const told = await db('notices').where({ kind: 'post', posts: STORM }).count('* as n').first();
  // And one to who has a response there.
  expect(Number(told?.n)).toBe(some + 1);
});
