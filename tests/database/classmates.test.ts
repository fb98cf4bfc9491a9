import type { Knex } from 'knex';
import { actOnce, type Did } from '@/standins/classmates/classmate';
import { pick, randomFrom } from '@/standins/classmates/random';
import { SEALED, on, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('classmates');
  db = world.db;
});
afterAll(() => db.destroy());

it('classmates do what people do, in its order, and nothing that the calendar forbids', async () => {
  const { imani, noor, jun, rafi, kwame, stranger } = world.people;
  const random = randomFrom(7);
  const done = new Map<Did, number>();
  const act = async (minute: number) => {
    const actor = pick([imani, noor, jun, rafi, kwame], random);
    const now = (on('Tue 08:00') + minute * 60_000) as never;
    const { did } = await actOnce({ deps: { db, now }, actor, slug: SEALED, random });
    done.set(did, (done.get(did) ?? 0) + 1);
  };
  for (let minute = 0; minute < 60; minute += 1) await act(minute);
  for (const did of ['responded', 'replied', 'edited', 'said well', 'read'] as const)
    expect([did, (done.get(did) ?? 0) > 0]).toEqual([did, true]);
  expect(done.get('responded')).toBe(5);

  // Nobody answered before they had responded, for the discussion is sealed; and nobody answers themselves.
  const posts = await db('posts as p')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .select('p.*', 'q.author_id as to');
  for (const reply of posts.filter((p) => p.parent_id !== null)) {
    const response = posts.find((p) => p.author_id === reply.author_id && p.parent_id === null);
    expect(response.shared_at).toBeLessThan(reply.shared_at);
    expect(reply.to).not.toBe(reply.author_id);
  }
  const { n: versions } = (await db('post_versions').where('n', '>', 1).count('* as n'))[0] ?? { n: 0 };
  expect(Number(versions)).toBe(done.get('edited'));

  const before = posts.length;
  const closed = { db, now: (on('Sun 23:59') + 3_600_000) as never };
  for (let i = 0; i < 10; i += 1) await actOnce({ deps: closed, actor: imani, slug: SEALED, random });
  await actOnce({ deps: { db, now: on('Wed 10:00') }, actor: stranger, slug: SEALED, random });
  expect(await db('posts')).toHaveLength(before);
});
