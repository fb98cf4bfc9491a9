import type { Knex } from 'knex';
import { smallCourse } from './world';

let db: Knex;
beforeAll(async () => {
  ({ db } = await smallCourse('prepared'));
  await db.raw(
    'create table things (id int primary key, name text); insert into things values (1, $$wall$$)',
  );
});
afterAll(() => db.destroy());

const things = () => db('things').where({ id: 1 }).select();
const often = async () => {
  for (let i = 0; i < 6; i += 1) await things();
};

describe('what is asked often', () => {
  it('is planned once, under a name', async () => {
    await often();
    const { rows } = await db.raw(
      `select count(*)::int as n from pg_prepared_statements where statement like '%things%'`,
    );
    expect(rows[0].n).toBe(1);
  });
  it('is answered all the same when an upgrade has given its table other columns meanwhile', async () => {
    await often();
    await db.raw('alter table things add column dear boolean not null default true');
    expect(await things()).toEqual([{ id: 1, name: 'wall', dear: true }]);
    expect(await things()).toEqual([{ id: 1, name: 'wall', dear: true }]);
  });
  it('is not named within a change, which one error would end', async () => {
    await db.raw('alter table things add column old boolean');
    const seen = await db.transaction(async (tx) => {
      const found = [];
      for (let i = 0; i < 5; i += 1) found.push(await tx('things').where({ id: 1 }).first('id', 'old'));
      return found;
    });
    expect(seen).toHaveLength(5);
    const { rows } = await db.raw(
      `select count(*)::int as n from pg_prepared_statements where statement like '%"old"%'`,
    );
    expect(rows[0].n).toBe(0);
  });
});
