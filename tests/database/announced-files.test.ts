import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { beginSchema } from '@/contract/files';
import { attachmentsIn } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { announce, announcementsPage } from '@/server/courses/announcements';
import type { Actor } from '@/server/deps';
import { folderStore } from '@/server/files/folder-store';
import { readableFile } from '@/server/files/read';
import { beginUpload, takePiece, type FileDeps } from '@/server/files/receive';
import { sweepFiles } from '@/server/files/sweep';
import { deps, smallCourse, text } from './world';

const GEO = 'geo-115';
const folder = mkdtempSync(join(tmpdir(), 'pulpit-announced-'));
const store = folderStore(folder);
const at = (when: string): FileDeps => ({ ...deps(db, when), files: store });
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('announced-files');
  db = world.db;
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

/** A text with a file that somebody has sent. */
async function withFile(who: Actor, said: string, when = 'Tue 10:00'): Promise<{ doc: Doc; file: string }> {
  const content = Buffer.from(`What is in it: ${said}.`);
  const input = beginSchema.parse({ name: 'plan.txt', bytes: content.length });
  const begun = await beginUpload(at(when), who, GEO, input);
  if (!begun.ok) throw new Error(begun.failure.code);
  const taken = await takePiece(at(when), who, begun.value.id, 0, content);
  if (!taken.ok || !taken.value.file) throw new Error('not taken');
  const { id: file, name, mediaType, bytes } = taken.value.file;
  return {
    file,
    doc: {
      ...text(said),
      content: [...text(said).content, { type: 'file', attrs: { file, name, mediaType, bytes } }],
    },
  };
}
const sees = async (who: Actor, file: string, when: string) => (await readableFile(at(when), who, file)).ok;

it('a file of an announcement is for those whom it reaches, and for staff', async () => {
  const { holt, imani, jun, stranger } = world.people;
  const { doc, file } = await withFile(holt, 'The plan for Saturday');
  expect(await sees(imani, file, 'Tue 10:01')).toBe(false);
  const said = await announce(at('Tue 10:02'), holt, GEO, { title: 'Saturday', doc, people: [imani.id] });
  expect(said.ok).toBe(true);
  expect(await sees(imani, file, 'Tue 10:03')).toBe(true);
  expect(await sees(jun, file, 'Tue 10:03')).toBe(false);
  expect(await sees(stranger, file, 'Tue 10:03')).toBe(false);
  const page = await announcementsPage(at('Tue 10:03'), imani, GEO);
  if (!page.ok) throw new Error(page.failure.code);
  const [first] = page.value.announcements;
  expect(first).toMatchObject({ title: 'Saturday', body: expect.stringContaining('The plan for Saturday') });
  expect(first?.doc && attachmentsIn(first.doc)).toHaveLength(1);
});

it('one that waits for its time shows nobody its file before', async () => {
  const { holt, imani } = world.people;
  const { doc, file } = await withFile(holt, 'For later');
  expect(
    (await announce(at('Tue 11:00'), holt, GEO, { title: 'Later', doc, at: '2026-10-15T09:00' })).ok,
  ).toBe(true);
  expect(await sees(imani, file, 'Tue 12:00')).toBe(false);
  expect(await sees(imani, file, 'Thu 09:01')).toBe(true);
  // Nor is it swept away as a file that nothing carries.
  await sweepFiles(at('Thu 12:00'));
  expect(await sees(holt, file, 'Thu 12:00')).toBe(true);
});

it('a file that is not the writer’s own stays out, and a text of nothing is not announced', async () => {
  const { holt, imani } = world.people;
  const { doc, file } = await withFile(imani, 'Mine alone');
  expect((await announce(at('Tue 12:00'), holt, GEO, { title: 'Borrowed', doc })).ok).toBe(true);
  expect(await sees(holt, file, 'Tue 12:01')).toBe(false);
  const empty = { title: 'Nothing', doc: { type: 'doc', content: [{ type: 'paragraph' }] } };
  expect(await announce(at('Tue 12:00'), holt, GEO, empty)).toMatchObject({
    ok: false,
    failure: { code: 'nothing-written' },
  });
  const strange = { title: 'Strange', doc: { type: 'doc', content: [{ type: randomUUID() }] } };
  expect(await announce(at('Tue 12:00'), holt, GEO, strange)).toMatchObject({
    ok: false,
    failure: { code: 'document-malformed' },
  });
});
