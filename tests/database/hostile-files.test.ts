import { finishSchema, PIECE_BYTES } from '@/contract/files';
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { attachmentsIn } from '@/core/document/attachments';
import { parseDocument } from '@/core/document/document';
import { makeClip } from '@/server/clips/make';
import { beginClip, finishClip } from '@/server/clips/record';
import { addReading } from '@/server/courses/add-reading';
import { keepDraft } from '@/server/drafts/keep';
import { bringIn } from '@/server/formats/bring-in';
import { folderStore } from '@/server/files/folder-store';
import { receiveWhole, takePiece, type FileDeps } from '@/server/files/receive';
import { takeIn } from '@/server/outside/take-in';
import { HARMLESS, hostileContents } from '../fixtures/files';
import { hostileDocuments } from '../fixtures/hostile-documents';
import { startPace } from '../fixtures/pace';
import { deps, OPEN, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let canary: Server;
const asked: string[] = [];
let files: [string, string, Buffer][];
const folder = mkdtempSync(join(tmpdir(), 'pulpit-hostile-'));
const store = folderStore(join(folder, 'store'));
const at = (): FileDeps => ({ ...deps(db, 'Tue 10:00'), files: store });
const before = text('My own words, half a sentence lo');

beforeAll(async () => {
  world = await smallCourse('hostile-files');
  db = world.db;
  canary = createServer((request, response) => {
    asked.push(request.url ?? '');
    response.end();
  });
  await new Promise<void>((ready) => canary.listen(0, '127.0.0.1', ready));
  const { port } = canary.address() as AddressInfo;
  files = [
    ...hostileDocuments(`http://127.0.0.1:${port}`),
    ...(await hostileContents()).map(([name, content]): [string, string, Buffer] => [
      `${name}, by the name of a picture`,
      'homework.jpg',
      content,
    ]),
  ];
  const kept = await keepDraft(at(), world.people.imani, OPEN, {
    kind: 'response',
    parent: null,
    edits: null,
    submission: '0b0d7a60-54f3-4a57-8f26-3f8c5f1f8d11',
    title: 'Mine',
    doc: before,
    base: 0,
    conflict: 'tell',
    restoring: false,
  });
  if (!kept.ok) throw new Error(kept.failure.code);
});
afterAll(async () => {
  await db.destroy();
  await new Promise((done) => canary.close(done));
  rmSync(folder, { recursive: true });
});

const bytesOf = (path: string): number =>
  readdirSync(path, { recursive: true })
    .map((name) => statSync(join(path, String(name))))
    .reduce((n, s) => n + (s.isFile() ? s.size : 0), 0);

/** What opens PDFs cannot be loaded here; theirs go through the running server (tests/browser/hostile-pdfs.spec.ts). */
const isPdf = (bytes: Buffer) => bytes.subarray(0, 1_024).includes('%PDF-');

/** One file of each kind: the ways in share one reader, so what it makes of every file is asked once. */
const representatives = () => [
  ...new Map(
    files.filter(([, , bytes]) => !isPdf(bytes)).map((f) => [f[1].replace(/^.*\./u, ''), f]),
  ).values(),
];

/** Does something with each file; gives those that took more than ten seconds of a processor, the most a reader is given. */
async function each(
  work: (name: string, file: string, content: Buffer) => Promise<void>,
  these: readonly [string, string, Buffer][] = files,
) {
  const slow: string[] = [];
  for (const [name, file, content] of these) {
    const took = startPace();
    await work(name, file, content);
    const ms = took();
    if (ms > 10_000) slow.push(`${name}: ${Math.round(ms)} ms`);
  }
  return slow;
}

it('are at least a hundred and fifty', () => {
  expect(files.length).toBeGreaterThanOrEqual(150);
  expect(new Set(files.map(([name]) => name)).size).toBe(files.length);
  expect(representatives().length).toBeGreaterThanOrEqual(5);
});

it('as a text they become a text without anything that runs, or are refused in a word', async () => {
  const slow = await each(async (name, file, bytes) => {
    if (isPdf(bytes)) return;
    const brought = await bringIn(
      at(),
      world.people.imani,
      { course: 'geo-115', discussion: OPEN },
      { name: file, bytes, cut: false },
    );
    if (!brought.ok) {
      expect({ name, code: brought.failure.code }).toEqual({
        name,
        code: expect.stringMatching(
          /^(?:file-(?:broken|empty|unknown|old-word|scanned|locked|too-large)|text-too-long)$/u,
        ),
      });
      return;
    }
    const { doc } = brought.value;
    expect({ name, ok: parseDocument(doc).ok }).toEqual({ name, ok: true });
    const said = JSON.stringify(doc);
    expect({ name, secret: /root:.*:0:0:/u.test(said) }).toEqual({ name, secret: false });
    for (const [, href = ''] of said.matchAll(/"href":"([^"]*)"/gu))
      expect(href).toMatch(/^(?:https?:|mailto:)/iu);
    for (const { node } of attachmentsIn(doc)) expect(node.type).toBe('picture');
  });
  expect(slow).toEqual([]);
}, 300_000);

it('as files they are kept as what nothing runs, or refused in a word', async () => {
  const slow = await each(async (name, file, bytes) => {
    if (bytes.length === 0) return;
    const received = await receiveWhole(at(), world.people.holt, world.course, file, bytes);
    const became = received.ok ? received.value.mediaType : received.failure.code;
    expect({ name, became }).toEqual({
      name,
      became: expect.stringMatching(received.ok ? HARMLESS : /^(?:program|broken-picture|quota-person)$/u),
    });
  });
  expect(slow).toEqual([]);
}, 300_000);

it('as clips they are refused or fail, and no program is given what it was not meant for', async () => {
  const slow = await each(async (name, _file, bytes) => {
    const { kwame } = world.people;
    const begun = await beginClip(at(), kwame, 'geo-115', { video: true });
    if (!begun.ok) throw new Error(begun.failure.code);
    const { id } = begun.value;
    for (let from = 0; from < bytes.length; from += PIECE_BYTES)
      await takePiece(at(), kwame, id, from, bytes.subarray(from, from + PIECE_BYTES));
    const done = await finishClip(at(), kwame, id, finishSchema.parse({ title: 'x', ms: 1_000 }));
    if (done.ok) await makeClip(at(), id);
    const clip = await db('clips').where({ file_id: id }).first('state');
    expect({ name, state: clip.state }).toEqual({ name, state: done.ok ? 'failed' : 'recording' });
    // A recording that is given up makes room.
    await db('files').where({ id }).delete();
    await store.drop(id);
  });
  expect(slow).toEqual([]);
}, 300_000);

it('as readings they are read or refused in a word', async () => {
  const slow = await each(async (name, file, bytes) => {
    const reading = await addReading(
      { ...at(), sites: [] },
      world.people.holt,
      'geo-115',
      { week: 6, title: name.slice(0, 150), author: '', text: '' },
      { name: file, bytes, cut: false },
    );
    if (!reading.ok) expect(reading.failure.code).toMatch(/^(?:file-[a-z-]+|reading-too-long)$/u);
  }, representatives());
  expect(slow).toEqual([]);
}, 400_000);

it('as prompts of a course elsewhere they are read or refused in a word', async () => {
  const slow = await each(async (name, file, bytes) => {
    const upload = { name: file, bytes, cut: false };
    const taken = await takeIn(at(), world.people.imani, { text: '', html: '', files: [upload] });
    if (!taken.ok) expect(taken.failure.troubles.length).toBeGreaterThan(0);
  }, representatives());
  expect(slow).toEqual([]);
}, 400_000);

it('afterwards the draft is as it was, the disk is not full, and nobody was asked anything', async () => {
  const draft = await db('drafts').where({ author_id: world.people.imani.id, title: 'Mine' }).first('doc');
  expect(draft.doc).toEqual(before);
  expect(bytesOf(join(folder, 'store'))).toBeLessThan(150_000_000);
  expect(readdirSync(join(folder, 'store', 'incoming'))).toEqual([]);
  expect(asked).toEqual([]);
});
