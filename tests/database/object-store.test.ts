import { PIECE_BYTES } from '@/contract/files';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { folderStore } from '@/server/files/folder-store';
import { objectStore } from '@/server/files/object-store';
import { readableFile } from '@/server/files/read';
import { beginUpload, receiveWhole, takePiece, type FileDeps } from '@/server/files/receive';
import { sweepFiles } from '@/server/files/sweep';
import { share } from '@/server/posts/share';
import { photograph } from '../fixtures/files';
import { startObjectStore } from '../fixtures/object-store';
import { deps, OPEN, shareInput, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let bucket: Awaited<ReturnType<typeof startObjectStore>>;
let at: (when: string) => FileDeps;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-bucket-'));

beforeAll(async () => {
  world = await smallCourse('bucket');
  db = world.db;
  bucket = await startObjectStore();
  const files = objectStore(bucket.config, folderStore(folder));
  at = (when) => ({ ...deps(db, when), files });
});
afterAll(async () => {
  await db.destroy();
  await bucket.stop();
  rmSync(folder, { recursive: true });
});
beforeEach(() => Object.assign(bucket.state, { full: false, away: false }));

const content = Buffer.alloc(PIECE_BYTES + 500, 'levee ');
const receive = (name: string, bytes: Buffer) =>
  receiveWhole(at('Tue 10:00'), world.people.imani, world.course, name, bytes);
const waiting = () => readdirSync(join(folder, 'incoming'));

describe('files in an object store', () => {
  it('lie there under their sums, and nothing of them stays on the machine', async () => {
    const file = await receive('survey.txt', content);
    const picture = await receive('wall.jpg', await photograph(300, 200));
    if (!file.ok || !picture.ok) throw new Error('not taken');
    const found = await readableFile(at('Tue 10:00'), world.people.imani, file.value.id);
    if (!found.ok) throw new Error('not there');
    const { sha256 } = found.value;
    expect(bucket.objects.get(`/pulpit/${sha256.slice(0, 2)}/${sha256}`)).toEqual(content);
    expect(bucket.objects.size).toBe(2);
    expect(waiting()).toEqual([]);
  });

  it('are read whole and in ranges', async () => {
    const [[key = '', whole] = []] = [...bucket.objects].filter(
      ([, bytes]) => bytes.length === content.length,
    );
    const sum = key.split('/').pop() ?? '';
    const { files } = at('Tue 10:00');
    const read = async (span?: { first: number; last: number }) =>
      Buffer.from(await new Response(await files.read(sum, span)).arrayBuffer());
    expect(await read()).toEqual(whole);
    expect((await read({ first: 6, last: 11 })).toString()).toBe('levee ');
  });

  it('go with the last text that held them', async () => {
    expect(await sweepFiles(at('Sun 10:00'))).toBe(2);
    expect(bucket.objects.size).toBe(0);
  });

  it('are refused where the store is full, and the text is shared all the same', async () => {
    bucket.state.full = true;
    expect(await receive('survey.txt', content)).toEqual({ ok: false, failure: { code: 'store-full' } });
    expect(waiting()).toEqual([]);
    const shared = await share(
      at('Tue 11:00'),
      world.people.imani,
      OPEN,
      shareInput('The wall was never finished.'),
    );
    expect(shared.ok).toBe(true);
  });

  it('go on where they were when the store is back: nothing is sent twice', async () => {
    const who = world.people.noor;
    const begun = await beginUpload(at('Tue 10:00'), who, 'geo-115', {
      name: 'a.txt',
      bytes: content.length,
    });
    if (!begun.ok) throw new Error('not begun');
    const { id } = begun.value;
    const take = (from: number, piece: Buffer) => takePiece(at('Tue 10:00'), who, id, from, piece);
    await take(0, content.subarray(0, PIECE_BYTES));
    bucket.state.away = true;
    await expect(take(PIECE_BYTES, content.subarray(PIECE_BYTES))).rejects.toThrow();
    bucket.state.away = false;
    expect(await take(content.length, Buffer.alloc(0))).toMatchObject({
      value: { file: { bytes: content.length } },
    });
  });
});
