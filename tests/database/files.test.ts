import { beginSchema, PIECE_BYTES } from '@/contract/files';
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import sharp from 'sharp';
import { postId } from '@/core/ids';
import type { StoredFile } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { folderStore } from '@/server/files/folder-store';
import { readableFile } from '@/server/files/read';
import { beginUpload, cancelUpload, takePiece, uploadProgress, type FileDeps } from '@/server/files/receive';
import { conversation } from '@/server/discussions/conversation';
import { thumbnail } from '@/server/files/thumbnail';
import { StoreFull } from '@/server/files/store';
import { sweepFiles } from '@/server/files/sweep';
import { keepDraft } from '@/server/drafts/keep';
import type { Actor } from '@/server/deps';
import { changePost, withdrawPost } from '@/server/posts/change';
import { HARMLESS, HOSTILE_NAMES, hostileContents, photograph } from '../fixtures/files';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-files-'));
const store = folderStore(folder);
const at = (when: string): FileDeps => ({ ...deps(db, when), files: store });

beforeAll(async () => {
  world = await smallCourse('files');
  db = world.db;
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

/** Sends all of a content, as a browser does. */
async function send(who: Actor, name: string, content: Buffer, when = 'Tue 10:00') {
  const begun = await beginUpload(
    at(when),
    who,
    'geo-115',
    beginSchema.parse({ name, bytes: content.length }),
  );
  if (!begun.ok) return begun;
  for (let from = 0; ; from += PIECE_BYTES) {
    const taken = await takePiece(
      at(when),
      who,
      begun.value.id,
      from,
      content.subarray(from, from + PIECE_BYTES),
    );
    if (!taken.ok || taken.value.file) return taken;
  }
}
async function sent(who: Actor, name: string, content: Buffer, when?: string): Promise<StoredFile> {
  const result = await send(who, name, content, when);
  if (!result.ok || !('file' in result.value) || !result.value.file) throw new Error('not taken');
  return result.value.file;
}
const carrying = (said: string, file: StoredFile): Doc => ({
  type: 'doc',
  content: [
    ...text(said).content,
    { type: 'file', attrs: { file: file.id, name: file.name, mediaType: file.mediaType, bytes: file.bytes } },
  ],
});
const sees = async (who: Actor, file: StoredFile, when = 'Tue 12:00') =>
  (await readableFile(at(when), who, file.id)).ok;

describe('a picture', () => {
  it('is drawn anew: upright, at most 1600 pixels a side, without place or camera', async () => {
    const photo = await photograph(2_400, 1_200);
    expect(photo.includes('Tidewell')).toBe(true);
    const file = await sent(world.people.imani, 'IMG_0042.JPG', photo);
    // Its orientation mark turns it.
    expect(file).toMatchObject({ name: 'IMG_0042.webp', mediaType: 'image/webp', width: 800, height: 1_600 });
    const found = await readableFile(at('Tue 10:00'), world.people.imani, file.id);
    if (!found.ok) throw new Error('not there');
    const content = Buffer.from(await new Response(await store.read(found.value.sha256)).arrayBuffer());
    const { exif, width, format } = await sharp(content).metadata();
    expect({ exif, width, format }).toEqual({ exif: undefined, width: 800, format: 'webp' });
    expect(content.includes('Tidewell')).toBe(false);
  });
});

describe('a picture that moves', () => {
  it('goes on moving, and is as high as one of its frames', async () => {
    const frame = (background: string) =>
      sharp({ create: { width: 40, height: 30, channels: 3, background } })
        .png()
        .toBuffer();
    const gif = await sharp([await frame('#f00'), await frame('#0f0'), await frame('#00f')], {
      join: { animated: true },
    })
      .gif({ delay: [100, 100, 100] })
      .toBuffer();
    const file = await sent(world.people.imani, 'wave.gif', gif);
    expect(file).toMatchObject({ mediaType: 'image/webp', width: 40, height: 30 });
    const found = await readableFile(at('Tue 10:00'), world.people.imani, file.id);
    if (!found.ok) throw new Error('not there');
    const content = Buffer.from(await new Response(await store.read(found.value.sha256)).arrayBuffer());
    expect(await sharp(content).metadata()).toMatchObject({ pages: 3, width: 40 });
  });
});

describe('a file that comes in pieces', () => {
  const content = Buffer.alloc(PIECE_BYTES * 2 + 100, 7);
  const begin = async (who: Actor) => {
    const begun = await beginUpload(at('Tue 10:00'), who, 'geo-115', {
      name: 'survey.bin',
      bytes: content.length,
    });
    if (!begun.ok) throw new Error('not begun');
    return begun.value.id;
  };
  const piece = (n: number) => content.subarray(n * PIECE_BYTES, (n + 1) * PIECE_BYTES);

  it('goes on where it stopped, and takes a piece that is sent twice once', async () => {
    const who = world.people.noor;
    const id = await begin(who);
    expect(await takePiece(at('Tue 10:00'), who, id, 0, piece(0))).toMatchObject({ ok: true });
    expect(await takePiece(at('Tue 10:00'), who, id, 0, piece(0))).toEqual({
      ok: false,
      failure: { code: 'other-offset', received: PIECE_BYTES },
    });
    expect(await uploadProgress(at('Tue 10:00'), who, id)).toMatchObject({
      value: { received: PIECE_BYTES, file: null },
    });
    await takePiece(at('Tue 10:00'), who, id, PIECE_BYTES, piece(1));
    const last = await takePiece(at('Tue 10:00'), who, id, 2 * PIECE_BYTES, piece(2));
    expect(last).toMatchObject({ value: { file: { bytes: content.length } } });
    // The answer was lost and the piece is sent again: it is the same file.
    expect(await takePiece(at('Tue 10:00'), who, id, 2 * PIECE_BYTES, piece(2))).toEqual(last);
  });

  it('is nobody else’s to go on with, to ask about or to give up', async () => {
    const id = await begin(world.people.noor);
    for (const other of [world.people.imani, world.people.holt, world.people.stranger]) {
      expect(await takePiece(at('Tue 10:00'), other, id, 0, piece(0))).toMatchObject({ ok: false });
      expect(await uploadProgress(at('Tue 10:00'), other, id)).toMatchObject({ ok: false });
      expect(await cancelUpload(at('Tue 10:00'), other, id)).toMatchObject({ ok: false });
    }
    expect(await cancelUpload(at('Tue 10:00'), world.people.noor, id)).toEqual({ ok: true, value: null });
    expect(existsSync(store.incoming(id))).toBe(false);
  });

  it('never grows beyond what it said', async () => {
    const who = world.people.noor;
    const begun = await beginUpload(at('Tue 10:00'), who, 'geo-115', { name: 'a', bytes: 10 });
    if (!begun.ok) throw new Error('not begun');
    expect(await takePiece(at('Tue 10:00'), who, begun.value.id, 0, Buffer.alloc(11))).toEqual({
      ok: false,
      failure: { code: 'piece-too-large' },
    });
  });

  it('is refused where it is too large, where one has had one’s share, and where one has no business', async () => {
    const ask = (who: Actor, bytes: number) =>
      beginUpload(at('Tue 10:00'), who, 'geo-115', { name: 'a', bytes });
    expect(await ask(world.people.noor, 26_214_401)).toMatchObject({ failure: { code: 'file-too-large' } });
    expect(await ask(world.people.stranger, 10)).toMatchObject({ failure: { code: 'not-found' } });
    const full = async () => {
      for (let n = 0; n < 21; n += 1) {
        const begun = await ask(world.people.kwame, 26_214_400);
        if (!begun.ok) return begun.failure.code;
      }
      return null;
    };
    expect(await full()).toBe('quota-person');
  });
});

describe('who sees a file', () => {
  it('is its owner alone while it stands in a draft', async () => {
    const { imani, noor, holt } = world.people;
    const file = await sent(imani, 'draft.txt', Buffer.from('mine'));
    expect([await sees(imani, file), await sees(noor, file), await sees(holt, file)]).toEqual([
      true,
      false,
      false,
    ]);
  });

  it('is the class once it is shared, but nobody behind the seal', async () => {
    const { imani, noor, jun, holt, stranger } = world.people;
    const file = await sent(imani, 'sealed.txt', Buffer.from('sealed'));
    await shared(
      db,
      imani,
      SEALED,
      'Tue 11:00',
      shareInput('', { doc: carrying('My own first text.', file) }),
    );
    expect(await sees(noor, file)).toBe(false);
    await shared(db, noor, SEALED, 'Tue 11:30', shareInput('And this is mine.'));
    expect([
      await sees(noor, file),
      await sees(jun, file),
      await sees(holt, file),
      await sees(stranger, file),
    ]).toEqual([true, false, true, false]);
  });

  it('is the two of a private reply, and staff', async () => {
    const { imani, noor, jun, holt } = world.people;
    const { post } = await shared(db, noor, OPEN, 'Tue 11:00', shareInput('Something to answer.'));
    const file = await sent(imani, 'private.txt', Buffer.from('private'));
    await shared(
      db,
      imani,
      OPEN,
      'Tue 11:10',
      shareInput('', { kind: 'reply', parent: post, private: true, doc: carrying('Only for you.', file) }),
    );
    expect([await sees(noor, file), await sees(holt, file), await sees(jun, file)]).toEqual([
      true,
      true,
      false,
    ]);
  });

  it('is staff alone once the text no longer carries it, or is hidden or withdrawn', async () => {
    const { jun, rafi, noor, holt } = world.people;
    const first = await sent(jun, 'first.txt', Buffer.from('first'));
    const { post } = await shared(
      db,
      jun,
      OPEN,
      'Tue 11:00',
      shareInput('', { doc: carrying('Text one here.', first) }),
    );
    expect(await sees(noor, first)).toBe(true);
    await changePost(deps(db, 'Tue 11:05'), jun, OPEN, postId(post), {
      title: '',
      doc: text('Text two here.'),
    });
    expect([await sees(noor, first), await sees(holt, first), await sees(jun, first)]).toEqual([
      false,
      true,
      true,
    ]);

    const second = await sent(rafi, 'second.txt', Buffer.from('second'));
    const other = await shared(
      db,
      rafi,
      OPEN,
      'Tue 11:00',
      shareInput('', { doc: carrying('Text three here.', second) }),
    );
    await db('posts').where({ id: other.post }).update({ hidden_at: db.fn.now() });
    expect([await sees(noor, second), await sees(holt, second)]).toEqual([false, true]);
    await withdrawPost(deps(db, 'Tue 11:20'), jun, OPEN, postId(post));
    expect(await sees(noor, first)).toBe(false);
  });
});

describe('a picture of a response in the list of the conversation', () => {
  it('is its first one, small, and seen by who may read the response', async () => {
    const { jun, noor, stranger } = world.people;
    const file = await sent(jun, 'wall.jpg', await photograph(900, 600));
    const picture: Doc = {
      type: 'doc',
      content: [
        ...text('The wall in spring.').content,
        { type: 'picture', attrs: { file: file.id, width: 1, height: 1, alt: 'The wall' } },
      ],
    };
    const { post } = await shared(db, jun, OPEN, 'Tue 11:00', { ...shareInput(''), doc: picture });
    const room = await conversation(at('Tue 12:00'), noor, OPEN, { post: null, filter: 'all' });
    if (!room.ok) throw new Error('not there');
    expect(room.value.lines.find((l) => l.id === post)?.pictured).toBe(file.id);
    const small = await thumbnail(at('Tue 12:00'), noor, file.id);
    if (!small.ok) throw new Error('not there');
    expect(await sharp(await small.value.draw()).metadata()).toMatchObject({ width: 112, height: 112 });
    expect((await thumbnail(at('Tue 12:00'), stranger, file.id)).ok).toBe(false);
    await withdrawPost(at('Tue 12:30'), jun, OPEN, postId(post));
    expect((await thumbnail(at('Tue 13:00'), noor, file.id)).ok).toBe(false);
  });
});

describe('a text that says it carries a file', () => {
  it('keeps only its words where the file is somebody else’s, of nobody, or not what it says', async () => {
    const { imani, noor } = world.people;
    const theirs = await sent(noor, 'theirs.txt', Buffer.from('theirs'));
    const keep = (doc: Doc) =>
      keepDraft(deps(db, 'Tue 12:00'), imani, OPEN, {
        kind: 'response',
        parent: null,
        submission: randomUUID(),
        title: '',
        doc,
        base: 0,
        conflict: 'replace',
      });
    const kept = async () => (await db('drafts').where({ author_id: imani.id }).first('doc')).doc as Doc;
    await keep(carrying('Mine.', theirs));
    expect(JSON.stringify(await kept())).not.toContain(theirs.id);
    expect(JSON.stringify(await kept())).toContain('theirs.txt');
    await keep(carrying('Mine.', { ...theirs, id: randomUUID() }));
    expect((await kept()).content.some((n) => n.type === 'file')).toBe(false);
    const mine = await sent(imani, 'mine.txt', Buffer.from('mine'));
    await keep(carrying('Mine.', { ...mine, name: 'invoice.exe', bytes: 1, mediaType: 'text/html' }));
    expect((await kept()).content[1]).toEqual({
      type: 'file',
      attrs: { file: mine.id, name: 'mine.txt', mediaType: 'text/plain', bytes: 4 },
    });
  });
});

describe('a disk without room', () => {
  it('refuses the file and still keeps and shares the text', async () => {
    const { rafi } = world.people;
    const full: FileDeps = {
      ...at('Tue 13:00'),
      files: { ...store, write: () => Promise.reject(new StoreFull('no room')) },
    };
    const begun = await beginUpload(full, rafi, 'geo-115', { name: 'a.txt', bytes: 4 });
    if (!begun.ok) throw new Error('not begun');
    expect(await takePiece(full, rafi, begun.value.id, 0, Buffer.from('text'))).toEqual({
      ok: false,
      failure: { code: 'store-full' },
    });
    const { post } = await shared(db, rafi, OPEN, 'Tue 13:01', shareInput('The words go through.'));
    expect(post).toBeGreaterThan(0);
  });
});

describe('sweeping', () => {
  it('takes away what nothing carries, and leaves what a draft, a post or another file still holds', async () => {
    const { imani, jun } = world.people;
    const same = Buffer.from('the same content twice');
    const alone = await sent(jun, 'alone.txt', same);
    const draft = await sent(imani, 'kept.txt', same);
    const inPost = await sent(jun, 'post.txt', Buffer.from('in a post'));
    const shas = async (id: string) => (await db('files').where({ id }).first('sha256'))?.sha256 as string;
    const sum = await shas(alone.id);
    await keepDraft(deps(db, 'Tue 14:00'), imani, OPEN, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc: carrying('A draft.', draft),
      base: 0,
      conflict: 'replace',
    });
    await shared(db, jun, OPEN, 'Tue 14:10', shareInput('', { doc: carrying('A second response.', inPost) }));
    // Not before a day has gone by: who took it out may put it back.
    await sweepFiles(at('Tue 20:00'));
    expect(await sees(jun, alone)).toBe(true);
    expect(await sweepFiles(at('Thu 09:00'))).toBeGreaterThan(0);
    expect([await sees(jun, alone), await sees(imani, draft), await sees(jun, inPost)]).toEqual([
      false,
      true,
      true,
    ]);
    expect(existsSync(join(folder, sum.slice(0, 2), sum.slice(2, 4), sum))).toBe(true);
    await db('drafts').where({ author_id: imani.id }).delete();
    await db('draft_versions').where({ author_id: imani.id }).delete();
    await sweepFiles(at('Thu 10:00'));
    expect(existsSync(join(folder, sum.slice(0, 2), sum.slice(2, 4), sum))).toBe(false);
    expect(await sweepFiles(at('Thu 11:00'))).toBe(0);
  });
});

describe('hostile files', () => {
  it('are refused in a word or kept as what nothing runs, each within ten seconds', async () => {
    for (const [name, content] of await hostileContents()) {
      const began = performance.now();
      const result = await send(world.people.holt, 'homework.jpg', content);
      const took = performance.now() - began;
      const became = result.ok ? 'file' in result.value && result.value.file?.mediaType : result.failure.code;
      expect({ name, became, slow: took > 10_000 }).toEqual({
        name,
        became: expect.stringMatching(result.ok ? HARMLESS : /^(?:program|broken-picture)$/u),
        slow: false,
      });
    }
    // What was refused has left nothing behind.
    expect(readdirSync(join(folder, 'incoming'))).toEqual([]);
  });

  it.each(HOSTILE_NAMES)('called %j get a name that leads nowhere', async (name) => {
    const file = await sent(world.people.holt, name, Buffer.from(`named ${randomUUID()}`));
    expect(file.name).toMatch(/^[^/\\\p{C}]{1,120}$/u);
    expect(file.name).not.toMatch(/^\.+$/u);
  });
});
