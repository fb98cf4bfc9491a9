import type { Knex } from 'knex';
import { deliverDue } from '@/server/notices/deliver';
import { on, smallCourse, waitsForALock } from './world';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
beforeAll(async () => {
  world = await smallCourse('notices_seen');
  db = world.db;
});
afterAll(() => db.destroy());

it('what somebody sees while mails are made is not mailed, and all others hear in the same round', async () => {
  const { imani, noor, kwame } = world.people;
  const at = new Date(on('Tue 09:00'));
  const [first, ...others] = [imani, noor, kwame].map((p) => p.id).sort();
  await db('notices').insert(
    [first, ...others].map((person_id) => ({
      ...{ person_id, course_id: world.course, kind: 'draft', key: 'one', topic: 'one' },
      ...{ at, last_at: at, way: 'once', due_at: at },
    })),
  );
  const seeing = await db.transaction();
  await seeing('notices').where({ person_id: first }).update({ seen_at: at });
  const telling = deliverDue({ db, now: on('Tue 09:01') }, 2);
  await waitsForALock(db);
  await seeing.commit();
  expect(await telling).toBe(2);
  expect((await db('notices').whereNotNull('mail_id').pluck('person_id')).sort()).toEqual(others);
});
