import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Doc } from '@/core/document/nodes';
import { plainText } from '@/core/document/flatten';
import { changeMaterial, materialPage, type Which } from '@/server/courses/material';
import type { Actor } from '@/server/deps';
import { readableFile } from '@/server/files/read';
import { folderStore } from '@/server/files/folder-store';
import { receiveWhole, type FileDeps } from '@/server/files/receive';
import { responseRoom } from '@/server/discussions/response-room';
import { sweepFiles } from '@/server/files/sweep';
import { addReadings } from '@/server/setup/setup';
import { deps, OPEN, SEALED, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-material-'));
const store = folderStore(folder);
const at = (when = 'Tue 10:00'): FileDeps => ({ ...deps(db, when), files: store });
const READING: Which = { of: 'reading', slug: 'room-for-water' };
const PROMPT: Which = { of: 'prompt', slug: SEALED };

beforeAll(async () => {
  world = await smallCourse('material');
  db = world.db;
  await addReadings(db, [
    {
      course: world.course,
      id: randomUUID(),
      slug: READING.slug,
      week: 6,
      position: 1,
      title: 'Room for water',
      author: 'M. Holt',
      words: 3,
      doc: text('Water needs room.'),
      place: '',
    },
  ]);
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

const file = async (who: Actor, name: string) => {
  const kept = await receiveWhole(at(), who, world.course, name, Buffer.from(`what ${name} says`));
  if (!kept.ok) throw new Error(kept.failure.code);
  return kept.value;
};
const carrying = (words: string, ...files: { id: string }[]): Doc => ({
  type: 'doc',
  content: [
    ...text(words).content,
    ...files.map((f) => ({
      type: 'file' as const,
      attrs: { file: f.id, name: 'called otherwise', mediaType: 'text/plain', bytes: 1 },
    })),
  ],
});
const open = async (who: Actor, which: Which) => {
  const page = await materialPage(deps(db, 'Tue 10:00'), who, which);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value;
};
const change = async (who: Actor, which: Which, doc: unknown, stamp?: string) =>
  changeMaterial(deps(db, 'Tue 10:10'), who, which, { doc, stamp: stamp ?? (await open(who, which)).stamp });
const sees = async (who: Actor, id: string) => (await readableFile(at('Tue 11:00'), who, id)).ok;

describe.each([
  ['a reading', READING],
  ['a prompt', PROMPT],
])('the text of %s on the desk', (_, which) => {
  it('is for staff alone: to students and strangers there is no such desk', async () => {
    const { imani, stranger, holt } = world.people;
    const { stamp } = await open(holt, which);
    for (const who of [imani, stranger]) {
      expect((await materialPage(deps(db, 'Tue 10:00'), who, which)).ok).toBe(false);
      expect(await change(who, which, text('Mine now.'), stamp)).toEqual({
        ok: false,
        failure: { code: 'not-found' },
      });
    }
    expect((await open(holt, which)).stamp).toBe(stamp);
  });

  it('carries its writer’s files to whoever may read it, also behind a seal, and calls them what they are', async () => {
    const { holt, imani, stranger } = world.people;
    const map = await file(holt, 'map.txt');
    expect(await sees(imani, map.id)).toBe(false);
    expect(await change(holt, which, carrying('Look at the map first.', map))).toEqual({
      ok: true,
      value: null,
    });
    expect([await sees(imani, map.id), await sees(stranger, map.id)]).toEqual([true, false]);
    expect(JSON.stringify((await open(holt, which)).doc)).toContain('"name":"map.txt"');
    await sweepFiles(at('Fri 10:00'));
    expect(await sees(imani, map.id)).toBe(true);
  });

  it('keeps what another of the staff put there, and takes nobody else’s file', async () => {
    const { holt, imani, kwame } = world.people;
    await db('enrolments').where({ person_id: kwame.id }).update({ role: 'assistant' });
    const map = await file(holt, 'map-of-holt.txt');
    const secret = await file(imani, 'diary.txt');
    await change(holt, which, carrying('With a map.', map));
    await change(kwame, which, carrying('With a map, and looked through again.', map, secret));
    const { doc } = await open(kwame, which);
    expect(plainText(doc)).toContain('looked through again');
    expect(JSON.stringify(doc)).toContain(map.id);
    expect(JSON.stringify(doc)).not.toContain(secret.id);
    expect(await sees(holt, secret.id)).toBe(false);
    await db('enrolments').where({ person_id: kwame.id }).update({ role: 'student' });
  });

  it('is not put over what somebody else wrote meanwhile: theirs comes back with the refusal', async () => {
    const { holt } = world.people;
    const { stamp } = await open(holt, which);
    await change(holt, which, text('Written in the first window.'));
    const late = await change(holt, which, text('Written in the second.'), stamp);
    if (late.ok || late.failure.code !== 'changed-meanwhile') throw new Error('was put over it');
    expect(plainText(late.failure.doc)).toBe('Written in the first window.');
    expect((await change(holt, which, text('Written in the second.'), late.failure.stamp)).ok).toBe(true);
    expect(plainText((await open(holt, which)).doc)).toBe('Written in the second.');
  });

  it('is never emptied, and names nobody', async () => {
    const { holt, imani } = world.people;
    expect(await change(holt, which, text('  '))).toEqual({
      ok: false,
      failure: { code: 'nothing-written' },
    });
    expect((await change(holt, which, { type: 'doc', content: [{ type: 'script' }] })).ok).toBe(false);
    const mention = { type: 'mention', attrs: { person: imani.id } };
    await change(holt, which, {
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: '@Imani Okoro', marks: [mention] }] }],
    });
    const { doc } = await open(holt, which);
    expect(plainText(doc)).toBe('@Imani Okoro');
    expect(JSON.stringify(doc)).not.toContain('mention');
  });
});

it('a changed prompt changes nothing of what is counted; where it says otherwise that is said', async () => {
  const { holt, imani } = world.people;
  const which: Which = { of: 'prompt', slug: OPEN };
  const before = await responseRoom(deps(db, 'Tue 10:00'), imani, OPEN);
  await change(holt, which, text('Write at least 900 words about rivers.'));
  const after = await responseRoom(deps(db, 'Tue 10:00'), imani, OPEN);
  if (!before.ok || !after.ok) throw new Error('not there');
  expect(after.value.head.brief).toEqual(before.value.head.brief);
  expect(plainText(after.value.prompt)).toBe('Write at least 900 words about rivers.');
  expect(after.value.disagreements.map((d) => d.fact)).toContain('response.words.min');
});
