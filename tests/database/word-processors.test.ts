import { promptColumns } from '@/db/queries/doc-columns';
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Knex } from 'knex';
import { filesIn } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { bringIn } from '@/server/formats/bring-in';
import { FORMATS, takeOut, type Format } from '@/server/formats/take-out';
import { addReading } from '@/server/courses/add-reading';
import { folderStore } from '@/server/files/folder-store';
import { readableFile } from '@/server/files/read';
import { sweepFiles } from '@/server/files/sweep';
import { receiveWhole, type FileDeps } from '@/server/files/receive';
import { photograph } from '../fixtures/files';
import { everything } from '../fixtures/written';
import { deps, OPEN, smallCourse } from './world';

const run = promisify(execFile);
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-written-'));
const store = folderStore(join(folder, 'store'));
const now = (): FileDeps => ({ ...deps(db, 'Tue 10:00'), files: store });
let file: string;
let doc: Doc;
const TITLE = 'Walls & meadows';

beforeAll(async () => {
  world = await smallCourse('written');
  db = world.db;
  const received = await receiveWhole(
    now(),
    world.people.imani,
    world.course,
    'wall.jpg',
    await photograph(48, 64),
  );
  if (!received.ok) throw new Error(received.failure.code);
  file = received.value.id;
  doc = everything(file);
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

const out = (format: Format) =>
  takeOut(now(), world.people.imani, format, { title: TITLE, doc }, 'https://pulpit.example');
const brought = async (name: string, bytes: Uint8Array) => {
  const result = await bringIn(
    now(),
    world.people.imani,
    { course: 'geo-115', discussion: OPEN },
    {
      name,
      bytes: Buffer.from(bytes),
      cut: false,
    },
  );
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
};

/** What a round trip is to keep: pictures by what is said of them, for each comes back as a file of its own. */
const essence = (text: { title: string; doc: Doc }) => ({
  title: text.title,
  content: JSON.parse(
    JSON.stringify(text.doc.content, (key: string, value: unknown) =>
      key === 'file' || key === 'width' || key === 'height' ? undefined : value,
    ),
  ) as unknown,
});

const withoutHeads = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value).replaceAll('tableHeader', 'tableCell'));

/** Opens a file in LibreOffice and saves it in another format: by a program that knows nothing of ours. */
async function throughOffice(bytes: Uint8Array, from: string, to: string): Promise<Buffer> {
  const place = mkdtempSync(join(folder, 'office-'));
  writeFileSync(join(place, `text.${from}`), bytes);
  await run(
    'soffice',
    [
      `-env:UserInstallation=file://${join(folder, 'profile')}`,
      '--headless',
      '--convert-to',
      to,
      '--outdir',
      join(place, 'out'),
      join(place, `text.${from}`),
    ],
    { timeout: 120_000 },
  );
  return readFileSync(join(place, 'out', `text.${to.split(':')[0] ?? to}`));
}

describe('a text on its way out and back', () => {
  it.each(['docx', 'odt', 'html'] as const)('is the same text by way of .%s', async (format) => {
    const back = await brought(`text.${format}`, await out(format));
    expect(essence(back)).toEqual(essence({ title: TITLE, doc }));
    expect(Object.values(back.left).filter(Boolean)).toEqual([]);
  });

  it('is the same text by way of Markdown, less what CommonMark has no sign for', async () => {
    const back = await brought('text.md', await out('md'));
    const without = JSON.parse(
      JSON.stringify(essence({ title: TITLE, doc })).replace(/,"marks":\[\{"type":"subscript"\}\]/gu, ''),
    ) as { title: string };
    expect(back.title).toBe(without.title);
    expect(JSON.stringify(essence(back)).replace(/\s/gu, '')).toContain('"caption":"ThewallatNetherAmber"');
    expect(filesIn(back.doc)).toEqual([file]);
  });
});

describe('the export opened by LibreOffice and saved in its own way', () => {
  it.each([
    ['docx', 'odt'],
    ['docx', 'rtf'],
    ['odt', 'docx'],
    ['odt', 'rtf'],
  ] as const)(
    'keeps text, headings, lists, tables, links, pictures and notes: .%s saved as .%s',
    async (from, to) => {
      const saved = await throughOffice(await out(from as Format), from, to);
      const back = await brought(`text.${to}`, saved);
      const whole = essence({ title: TITLE, doc });
      // LibreOffice does not write into an RTF file that a row is a table's head.
      expect(essence(back)).toEqual(to === 'rtf' ? withoutHeads(whole) : whole);
    },
    150_000,
  );
});

it('takes out every format it names', async () => {
  for (const format of Object.keys(FORMATS) as Format[])
    expect((await out(format)).length).toBeGreaterThan(500);
});

describe('a reading and a prompt', () => {
  it('show the pictures they came with to the course, and to nobody else', async () => {
    const { holt, imani, stranger } = world.people;
    const bytes = Buffer.from(await out('docx'));
    const added = await addReading(
      { ...now(), sites: [] },
      holt,
      'geo-115',
      { week: 6, title: 'Walls', author: '', text: '' },
      { name: 'walls.docx', bytes, cut: false },
    );
    if (!added.ok) throw new Error(added.failure.code);
    const reading = await db('readings').where({ slug: added.value.slug }).first('doc');
    const [picture = ''] = filesIn(reading.doc as Doc);
    expect((await readableFile(now(), imani, picture)).ok).toBe(true);
    expect((await readableFile(now(), stranger, picture)).ok).toBe(false);
    // The sweep leaves it, though no post and no draft carries it.
    await sweepFiles({ ...deps(db, 'Sun 20:00'), files: store });
    expect((await readableFile(now(), imani, picture)).ok).toBe(true);

    const shown = await receiveWhole(now(), holt, world.course, 'map.jpg', await photograph(30, 20));
    if (!shown.ok) throw new Error(shown.failure.code);
    expect((await readableFile(now(), imani, shown.value.id)).ok).toBe(false);
    await db('discussions')
      .where({ slug: OPEN })
      .update(promptColumns(everything(shown.value.id)));
    expect((await readableFile(now(), imani, shown.value.id)).ok).toBe(true);
    expect((await readableFile(now(), stranger, shown.value.id)).ok).toBe(false);
  });
});
