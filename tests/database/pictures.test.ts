import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import sharp from 'sharp';
import { folderStore } from '@/server/files/folder-store';
import { sweepFiles } from '@/server/files/sweep';
import { accountPage } from '@/server/people/account';
import { forget } from '@/server/people/leaving';
import { changeMark, changePicture, seeMark, seePicture } from '@/server/people/picture';
import { beginUpload } from '@/server/files/receive';
import { beginSchema } from '@/contract/files';
import { changeCollege, theCollege } from '@/server/stewards/college';
import type { Steward } from '@/server/stewards/enter';
import { hostileContents, photograph } from '../fixtures/files';
import { begun } from './college';
import { deps, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let steward: Steward;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-pictures-'));
const at = (when: string) => ({ ...deps(db, when), files: folderStore(folder) });
beforeAll(async () => {
  world = await smallCourse('pictures');
  db = world.db;
  steward = await begun(db);
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

const stored = () =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => /[0-9a-f]{64}$/u.test(name));
const bytesOf = async (content: ReadableStream<Uint8Array>) =>
  Buffer.from(await new Response(content).arrayBuffer());

describe('a picture of oneself', () => {
  it('is drawn anew as a small square, without what came with it', async () => {
    const { imani } = world.people;
    expect(await changePicture(at('Mon 08:00'), imani, await photograph(900, 500))).toMatchObject({
      ok: true,
    });
    const seen = await seePicture(at('Mon 08:01'), imani, false, imani.id);
    if (!seen.ok) throw new Error('not seen');
    const meta = await sharp(await bytesOf(seen.value.content)).metadata();
    expect(meta).toMatchObject({ format: 'webp', width: 256, height: 256 });
    expect(meta.exif).toBeUndefined();
    expect((await accountPage(deps(db, 'Mon 08:01'), imani, '')).picture).toContain(
      `/people/${imani.id}/picture?v=`,
    );
  });

  it('is seen by classmates and stewards, and by nobody else', async () => {
    const { imani, noor, stranger } = world.people;
    const see = async (who: typeof imani, isSteward = false) =>
      (await seePicture(at('Mon 09:00'), who, isSteward, imani.id)).ok;
    expect(await Promise.all([see(noor), see(stranger), see(stranger, true)])).toEqual([true, false, true]);
    expect((await seePicture(at('Mon 09:00'), imani, false, noor.id)).ok).toBe(false);
  });

  it('is refused where it is none, and what was there stays', async () => {
    const { imani } = world.people;
    const before = await db('people').where({ id: imani.id }).first('picture');
    for (const [name, content] of await hostileContents()) {
      const done = await changePicture(at('Mon 10:00'), imani, content);
      if (!done.ok) expect([name, done.failure.code]).toEqual([name, 'not-a-picture']);
      else await changePicture(at('Mon 10:01'), imani, await photograph(900, 500));
    }
    expect(await changePicture(at('Mon 10:02'), imani, Buffer.from('no picture'))).toMatchObject({
      ok: false,
    });
    expect(await db('people').where({ id: imani.id }).first('picture')).toEqual(before);
  });

  it('goes from the store with the last who has it, and is not swept while somebody does', async () => {
    const { imani, noor } = world.people;
    const same = await photograph(64, 64);
    await changePicture(at('Tue 08:00'), imani, same);
    await changePicture(at('Tue 08:00'), noor, same);
    expect(stored()).toHaveLength(1);
    await changePicture(at('Tue 08:01'), imani, null);
    await sweepFiles(at('Thu 08:00'));
    expect(stored()).toHaveLength(1);
    expect((await seePicture(at('Tue 08:02'), noor, false, imani.id)).ok).toBe(false);
    await forget(at('Tue 08:03'), noor.id);
    expect(stored()).toEqual([]);
  });
});

describe('the college', () => {
  it('has a mark that keeps its shape', async () => {
    const wide = await sharp({ create: { width: 1_200, height: 200, channels: 4, background: '#264' } })
      .png()
      .toBuffer();
    expect((await seeMark(at('Wed 08:00'))).ok).toBe(false);
    expect(await changeMark(at('Wed 08:00'), wide)).toMatchObject({ ok: true });
    const seen = await seeMark(at('Wed 08:01'));
    if (!seen.ok) throw new Error('not seen');
    expect(await sharp(await bytesOf(seen.value.content)).metadata()).toMatchObject({
      width: 480,
      height: 80,
    });
    expect((await theCollege({ db })).mark).toHaveLength(12);
    await changeMark(at('Wed 08:02'), null);
    expect(stored()).toEqual([]);
  });

  it('says how much may be kept, for one person and for a course', async () => {
    const { jun, rafi } = world.people;
    const say = (personMb: number, courseMb: number) =>
      changeCollege(deps(db, 'Wed 09:00'), steward, {
        name: 'Tidewell Open College',
        timeZone: 'UTC',
        telephone: '',
        mail: '',
        hours: '',
        signOn: 'yes',
        signOnNew: '',
        personMb,
        courseMb,
      });
    const begin = (who: typeof jun, bytes: number) =>
      beginUpload(at('Wed 09:01'), who, 'geo-115', beginSchema.parse({ name: 'a.bin', bytes }));
    await say(3, 5);
    expect(await begin(jun, 2 * 1_048_576)).toMatchObject({ ok: true });
    expect(await begin(jun, 2 * 1_048_576)).toMatchObject({
      failure: { code: 'quota-person', most: 3 * 1_048_576 },
    });
    expect(await begin(rafi, 3 * 1_048_576)).toMatchObject({ ok: true });
    await say(50, 5);
    expect(await begin(rafi, 1_048_576)).toMatchObject({ failure: { code: 'quota-course' } });
    await say(50, 50);
    expect(await begin(rafi, 1_048_576)).toMatchObject({ ok: true });
  });
});
