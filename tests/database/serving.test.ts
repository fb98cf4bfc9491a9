import type { Knex } from 'knex';
import { connect } from '@/db/connection';
import { servingUrl } from '../../scripts/lib/serving';
import { withDatabase } from '../../scripts/lib/database';
import { postId } from '@/core/ids';
import { moderate } from '@/server/posts/moderation';
import { askForPassword } from '@/server/people/reset';
import { forget } from '@/server/people/leaving';
import type { FileStore } from '@/server/files/store';
import { begun } from './college';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

const NAME = 'serving';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse(NAME);
  await begun(world.db);
  db = connect(await servingUrl(withDatabase(process.env.PULPIT_TEST_DATABASE ?? '', `test_${NAME}`)), {
    poolMax: 4,
  });
});
afterAll(async () => {
  await db.destroy();
  await world.db.destroy();
});

describe('whoever serves people', () => {
  it('does the whole job: shares, moderates, mails, forgets', async () => {
    const { noor, holt, jun } = world.people;
    const { post } = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('Words that are shared.'));
    const pinned = { act: 'pin' as const, reason: '' };
    expect(await moderate(deps(db, 'Tue 10:10'), holt, OPEN, postId(post), pinned)).toMatchObject({
      ok: true,
    });
    await askForPassword(deps(db, 'Tue 10:20'), `${jun.id}@tidewell.example`, null);
    expect(await db('graphile_worker.jobs').where({ task_identifier: 'send-mail' })).toHaveLength(1);
    const files = {} as FileStore;
    expect(await forget({ ...deps(db, 'Tue 10:30'), files }, noor.id)).toMatchObject({ ok: true });
  });

  it.each([
    ['makes a table', 'create table mine (n int)'],
    ['changes a table', 'alter table posts add column mine int'],
    ['drops a table', 'drop table reactions'],
    ['empties a table', 'truncate posts cascade'],
    ['takes a trigger off', 'alter table post_versions disable trigger all'],
    ['empties the log of what staff did', 'delete from moderation_log'],
    ['empties the log of what stewards did', 'delete from steward_log'],
    ['says what was migrated', `insert into knex_migrations (name) values ('9999_mine')`],
    ['makes a role', 'create role another superuser'],
    ['reads a file of the machine', `select pg_read_file('/etc/passwd')`],
    ['runs a program', `copy posts to program 'cat'`],
    ['becomes the owner', 'set role pulpit'],
  ])('never %s', async (_, statement) => {
    await expect(db.raw(statement)).rejects.toThrow(
      /permission denied|must be (?:owner|superuser)|only roles/iu,
    );
  });

  it('owns nothing, and is asked for again without harm', async () => {
    const { rows } = await db.raw(
      `select count(*)::int as n from pg_class where relowner = current_user::regrole`,
    );
    expect(rows).toEqual([{ n: 0 }]);
    const role = await db.raw(
      'select rolsuper, rolcreaterole, rolcreatedb, rolbypassrls from pg_roles where rolname = current_user',
    );
    expect(role.rows).toEqual([
      { rolsuper: false, rolcreaterole: false, rolcreatedb: false, rolbypassrls: false },
    ]);
  });
});
