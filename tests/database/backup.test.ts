import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from '@/db/connection';
import { backUp, restore } from '../../scripts/lib/archive';
import { withDatabase } from '../../scripts/lib/database';
import { output } from '../../scripts/lib/run';
import { OPEN, shared, shareInput, smallCourse } from './world';

const server = process.env.PULPIT_TEST_DATABASE ?? '';
const folder = mkdtempSync(join(tmpdir(), 'pulpit-backup-'));
const files = join(folder, 'files');
const place = { url: withDatabase(server, 'test_backup'), files, secret: null };
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const texts = async (): Promise<string[]> => {
  const db = connect(place.url, { poolMax: 1 });
  return db('post_versions')
    .orderBy('post_id')
    .pluck('plain')
    .finally(() => db.destroy());
};

it('brings back everything up to the last committed share within it, and says what it cannot', async () => {
  const { db, people } = await smallCourse('backup');
  mkdirSync(join(files, 'ab', 'cd'), { recursive: true });
  mkdirSync(join(files, 'incoming'), { recursive: true });
  writeFileSync(join(files, 'ab', 'cd', 'abcd'), 'a picture');
  writeFileSync(join(files, 'incoming', 'half'), 'still on its way');
  await shared(db, people.noor, OPEN, 'Tue 10:00', shareInput('Shared before it was backed up.'));

  // Others go on sharing all the while.
  const archive = join(folder, 'pulpit.tar');
  const meanwhile = (async () => {
    for (const [i, who] of [people.jun, people.rafi, people.kwame].entries())
      await shared(db, who, OPEN, `Tue 11:0${i}`, shareInput(`Shared meanwhile, number ${i}.`));
  })();
  await Promise.all([backUp(place, archive, new Date('2026-10-13T12:00:00Z')), meanwhile]);
  await shared(db, people.imani, OPEN, 'Tue 12:00', shareInput('Shared after it was backed up.'));

  // The database is lost, and a file with it.
  await db.destroy();
  const maintenance = connect(withDatabase(server, 'postgres'), { poolMax: 1 });
  await maintenance.raw('drop database test_backup with (force)');
  await maintenance.raw('create database test_backup');
  await maintenance.destroy();
  rmSync(join(files, 'ab'), { recursive: true });

  expect((await restore(place, archive)).made.toISOString()).toBe('2026-10-13T12:00:00.000Z');
  const back = await texts();
  expect(back[0]).toBe('Shared before it was backed up.');
  // Whatever of the others is in it came before whatever is not.
  expect(back.slice(1)).toEqual(back.slice(1).map((_, i) => `Shared meanwhile, number ${i}.`));
  expect(readFileSync(join(files, 'ab', 'cd', 'abcd'), 'utf8')).toBe('a picture');
  expect(output('tar', ['-tf', archive])).not.toContain('half');

  // What seals is in it only where that is asked for, and is put back with it.
  expect(output('tar', ['-tf', archive])).not.toMatch(/^secret$/mu);
  const secret = join(folder, 'secret');
  writeFileSync(secret, 'sealing', { mode: 0o600 });
  await backUp({ ...place, secret }, join(folder, 'with.tar'), new Date());
  writeFileSync(secret, 'another');
  await restore({ ...place, secret }, join(folder, 'with.tar'));
  expect(readFileSync(secret, 'utf8')).toBe('sealing');
  expect(statSync(secret).mode & 0o777).toBe(0o600);

  // A newer one, a broken one and none: nothing is touched, and it is said why.
  const work = join(folder, 'work');
  mkdirSync(work);
  output('tar', ['-xf', archive, '-C', work]);
  const label = JSON.parse(readFileSync(join(work, 'backup.json'), 'utf8')) as { migrations: string[] };
  writeFileSync(
    join(work, 'backup.json'),
    JSON.stringify({ ...label, migrations: [...label.migrations, '9999_new'] }),
  );
  output('tar', ['-cf', join(folder, 'newer.tar'), '-C', work, 'backup.json', 'database.dump']);
  await expect(restore(place, join(folder, 'newer.tar'))).rejects.toThrow(/made by a newer Pulpit/u);
  writeFileSync(join(folder, 'broken.tar'), readFileSync(archive).subarray(0, 5_000));
  await expect(restore(place, join(folder, 'broken.tar'))).rejects.toThrow(
    /not a whole archive|not a backup/u,
  );
  writeFileSync(join(work, 'database.dump'), 'no dump');
  writeFileSync(join(work, 'backup.json'), JSON.stringify(label));
  output('tar', ['-cf', join(folder, 'hollow.tar'), '-C', work, 'backup.json', 'database.dump']);
  await expect(restore(place, join(folder, 'hollow.tar'))).rejects.toThrow(/cannot be laid out/u);
  await expect(restore(place, join(folder, 'none.tar'))).rejects.toThrow(/There is no file/u);
  expect(await texts()).toEqual(back);
  expect(readdirSync(folder).filter((name) => name.startsWith('.pulpit-backup'))).toEqual([]);
  expect(existsSync(archive)).toBe(true);
});
