import type { Knex } from 'knex';
import { MEANT } from '@/core/substance/meant';
import { weighReply } from '@/server/discussions/weigh';
import { deps, OPEN, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('weigh');
  db = world.db;
});
afterAll(() => db.destroy());

const texts = {
  reply: 'But who pays below the levee, and who asked them?',
  post: 'The levee moves the flood to whoever lives below it. I would build it all the same.',
  prompt: 'Who decides what a river may do?',
};

it('a reply that is being written is weighed for who may enter the room', async () => {
  const weighed = await weighReply(deps(db, 'Tue 10:00'), world.people.noor, OPEN, texts);
  expect(weighed.ok && weighed.value.meant.length).toBe(MEANT.length);
  expect(weighed.ok && weighed.value.meant.every(Number.isFinite)).toBe(true);
}, 30_000);

it('for nobody else', async () => {
  const weighed = await weighReply(deps(db, 'Tue 10:00'), world.people.stranger, OPEN, texts);
  expect(weighed.ok ? null : weighed.failure.code).toBe('not-found');
});

it('and nothing of it is kept', async () => {
  const { rows } = await db.raw<{ rows: { table_name: string }[] }>(
    "select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'",
  );
  await weighReply(deps(db, 'Tue 10:00'), world.people.noor, OPEN, texts);
  for (const { table_name: table } of rows) {
    const found = await db(table).whereRaw('to_jsonb(??)::text like ?', [
      table,
      '%below the levee, and who%',
    ]);
    expect([table, found.length]).toEqual([table, 0]);
  }
}, 30_000);
