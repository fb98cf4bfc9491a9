import { finishSchema, PIECE_BYTES } from '@/contract/files';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { StoredFile } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { visibleClip } from '@/server/clips/look';
import { makeClip } from '@/server/clips/make';
import { beginClip, finishClip, unfinished } from '@/server/clips/record';
import type { Actor } from '@/server/deps';
import { folderStore } from '@/server/files/folder-store';
import { readableFile } from '@/server/files/read';
import { takePiece, type FileDeps } from '@/server/files/receive';
import { sweepFiles } from '@/server/files/sweep';
import { deps, OPEN, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-clips-'));
const store = folderStore(join(folder, 'store'));
const at = (when: string): FileDeps => ({ ...deps(db, when), files: store });
let filmed: Buffer;
let spoken: Buffer;

/** A recording as a browser's recorder writes it: a test picture and a tone, or the tone alone. */
function recorded(name: string, seconds: number, video: boolean): Buffer {
  const picture = ['-f', 'lavfi', '-i', `testsrc=size=320x240:rate=15:duration=${seconds}`];
  const tone = ['-f', 'lavfi', '-i', `sine=frequency=440:duration=${seconds}`];
  const path = join(folder, name);
  execFileSync('ffmpeg', [
    '-loglevel',
    'error',
    ...(video ? picture : []),
    ...tone,
    ...(video ? ['-c:v', 'libvpx', '-b:v', '400k'] : []),
    '-c:a',
    'libopus',
    path,
  ]);
  return readFileSync(path);
}

beforeAll(async () => {
  world = await smallCourse('clips');
  db = world.db;
  filmed = recorded('film.webm', 3, true);
  spoken = recorded('voice.webm', 2, false);
}, 60_000);
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

/** Sends a recording as it is made, and gives its id. */
async function send(who: Actor, content: Buffer, video = true): Promise<string> {
  const begun = await beginClip(at('Tue 10:00'), who, 'geo-115', { video });
  if (!begun.ok) throw new Error(begun.failure.code);
  for (let from = 0; from < content.length; from += PIECE_BYTES) {
    const piece = content.subarray(from, from + PIECE_BYTES);
    const taken = await takePiece(at('Tue 10:00'), who, begun.value.id, from, piece);
    if (!taken.ok) throw new Error(taken.failure.code);
  }
  return begun.value.id;
}
const finish = (who: Actor, id: string, said: object = {}) =>
  finishClip(at('Tue 10:05'), who, id, finishSchema.parse({ title: 'The wall', ms: 3_000, ...said }));
async function finished(who: Actor, content: Buffer, said: object = {}, video = true): Promise<StoredFile> {
  const done = await finish(who, await send(who, content, video), said);
  if (!done.ok) throw new Error(done.failure.code);
  return done.value;
}
const carrying = (file: StoredFile): Doc => ({
  type: 'doc',
  content: [
    ...text('What I saw on the way home.').content,
    { type: 'clip', attrs: { file: file.id, title: 'The wall', ms: 9, video: false } },
  ],
});
const stateOf = async (who: Actor, id: string, when = 'Tue 12:00') => {
  const found = await visibleClip(at(when), who, id);
  return found.ok ? found.value.state : 'nothing';
};
const contents = () =>
  readdirSync(join(folder, 'store'), { recursive: true }).filter((n) => String(n).length > 60);

describe('a clip', () => {
  it('is shared before it is made; until then nobody gets the recording, afterwards the stretch that was meant', async () => {
    const { imani, noor } = world.people;
    const file = await finished(imani, filmed, {
      from: 500,
      to: 2_000,
      captions: '0:00 Here is the wall.\n0:01 It was never finished.',
    });
    expect(file.clip).toEqual({ ms: 1_500, video: true });
    const { post } = await shared(db, imani, OPEN, 'Tue 11:00', { ...shareInput(''), doc: carrying(file) });
    expect(await stateOf(noor, file.id)).toBe('waiting');
    for (const who of [imani, noor])
      expect((await readableFile(at('Tue 12:00'), who, file.id)).ok).toBe(false);

    const jobs = await db('graphile_worker.jobs').where({ key: `clip ${file.id}` });
    expect(jobs).toHaveLength(1);
    await makeClip(at('Tue 12:00'), file.id);
    const made = await visibleClip(at('Tue 12:00'), noor, file.id);
    expect(made).toMatchObject({ ok: true, value: { state: 'ready', video: true, title: 'The wall' } });
    if (!made.ok) return;
    expect(Math.abs(made.value.ms - 1_500)).toBeLessThan(120);
    expect(made.value.captions).toBe(
      'WEBVTT\n\n00:00:00.000 --> 00:00:01.000\nHere is the wall.\n\n00:00:01.000 --> 00:00:01.500\nIt was never finished.\n',
    );
    const found = await readableFile(at('Tue 12:00'), noor, file.id);
    expect(found).toMatchObject({ ok: true, value: { mediaType: 'video/mp4', name: 'The wall.mp4' } });
    // The film and its picture: what was trimmed off is nowhere any more.
    expect(contents()).toHaveLength(2);
    expect(post).toBeGreaterThan(0);
    // What the text says of it is the server's: how long it is and that it has a picture.
    const versions = await db('post_versions').where({ post_id: post }).first('doc');
    expect(versions.doc.content[1].attrs).toEqual({
      file: file.id,
      title: 'The wall',
      ms: 1_500,
      video: true,
    });
  }, 60_000);

  it('of a voice alone has no picture, and is made once however often it is asked for', async () => {
    const file = await finished(world.people.imani, spoken, { ms: 2_000 }, false);
    await makeClip(at('Tue 12:00'), file.id);
    const first = await readableFile(at('Tue 12:00'), world.people.imani, file.id);
    await makeClip(at('Tue 12:00'), file.id);
    expect(await readableFile(at('Tue 12:00'), world.people.imani, file.id)).toEqual(first);
    expect(first).toMatchObject({ value: { mediaType: 'audio/mp4', name: 'The wall.m4a' } });
    expect(await visibleClip(at('Tue 12:00'), world.people.imani, file.id)).toMatchObject({
      value: { poster: null, captions: null },
    });
  }, 60_000);

  it('is its owner’s alone before it is shared, and nobody else’s to finish', async () => {
    const { imani, noor, stranger } = world.people;
    const id = await send(imani, spoken, false);
    expect(await finish(noor, id)).toEqual({ ok: false, failure: { code: 'not-found' } });
    const file = await finish(imani, id);
    expect(file.ok).toBe(true);
    for (const who of [noor, stranger]) expect(await stateOf(who, id)).toBe('nothing');
    // Said twice, because the answer was lost, it is the same clip.
    expect(await finish(imani, id, { title: 'Another' })).toEqual(file);
  });

  it('that was never finished is offered to its owner again, with what of it had come in', async () => {
    const { rafi, noor } = world.people;
    const id = await send(rafi, filmed.subarray(0, 9_000));
    const found = await unfinished(at('Tue 12:00'), rafi, 'geo-115');
    expect(found).toMatchObject({ ok: true, value: { clips: [{ id, video: true, bytes: 9_000 }] } });
    expect(await unfinished(at('Tue 12:00'), noor, 'geo-115')).toEqual({ ok: true, value: { clips: [] } });
    expect((await finish(rafi, id)).ok).toBe(true);
    await makeClip(at('Tue 12:00'), id);
    // A recording that was cut off plays as far as it goes.
    expect(await stateOf(rafi, id)).toBe('ready');
  }, 60_000);

  it('of what is no recording is refused, and of what cannot be played is said to have failed', async () => {
    const { imani } = world.people;
    const list = '#EXTM3U\n#EXTINF:10,\nfile:///etc/passwd\n';
    const others: [string, Buffer][] = [
      ['a playlist', Buffer.from(list)],
      ['a page', Buffer.from('<html><script>alert(1)</script></html>')],
      ['a list of files to join', Buffer.from("ffconcat version 1.0\nfile '/etc/passwd'\n")],
      ['a picture', Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex')],
    ];
    for (const [, content] of others)
      expect(await finish(imani, await send(imani, content))).toEqual({
        ok: false,
        failure: { code: 'no-recording' },
      });
    for (const content of [
      Buffer.concat([filmed.subarray(0, 60), Buffer.alloc(5_000, 'x')]),
      Buffer.concat([filmed.subarray(0, 200), Buffer.from(list)]),
    ]) {
      const id = await send(imani, content);
      expect((await finish(imani, id)).ok).toBe(true);
      await makeClip(at('Tue 12:00'), id);
      expect(await stateOf(imani, id)).toBe('failed');
      expect((await readableFile(at('Tue 12:00'), imani, id)).ok).toBe(false);
    }
    expect(await finish(imani, await send(imani, Buffer.alloc(0)))).toEqual({
      ok: false,
      failure: { code: 'nothing-recorded' },
    });
  }, 60_000);

  it('goes with its picture when nothing carries it', async () => {
    await sweepFiles(at('Sun 20:00'));
    const left = await db('clips').count({ n: '*' }).first();
    expect(Number(left?.n)).toBe(1);
    expect(contents()).toHaveLength(2);
  });
});
