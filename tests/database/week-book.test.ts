import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addReading } from '@/server/courses/add-reading';
import { weekBook } from '@/server/courses/week-book';
import { folderStore } from '@/server/files/folder-store';
import type { FileDeps } from '@/server/files/receive';
import { fromEpub } from '@/server/formats/from-epub';
import { unzipped } from '@/server/formats/zip';
import { bookWords } from '@/ui/words/week-book';
import { deps, smallCourse } from './world';

const folder = mkdtempSync(join(tmpdir(), 'pulpit-book-'));
let world: Awaited<ReturnType<typeof smallCourse>>;
const at = (): FileDeps => ({ ...deps(world.db, 'Tue 10:00'), files: folderStore(join(folder, 'store')) });
beforeAll(async () => {
  world = await smallCourse('week-book');
  const added = await addReading(
    { ...at(), sites: [] },
    world.people.holt,
    'geo-115',
    {
      week: 6,
      title: 'Room for <the river>',
      author: 'M. Holt',
      text: 'The flow is $Q = v A$.\n\n## Meadows\n\nThey hold.',
    },
    null,
  );
  if (!added.ok) throw new Error(added.failure.code);
});
afterAll(async () => {
  await world.db.destroy();
  rmSync(folder, { recursive: true });
});

const bookFor = async (who = world.people.imani, week = 6) => weekBook(at(), who, 'geo-115', week, bookWords);

it('holds the week’s readings and prompts, each a chapter, and is sound XML throughout', async () => {
  const book = await bookFor();
  if (!book.ok) throw new Error(book.failure.code);
  const entries = unzipped(book.value) ?? new Map<string, Uint8Array>();
  expect([...entries.keys()][0]).toBe('mimetype');
  for (const [name, bytes] of entries) {
    if (!/\.(?:xhtml|opf|xml)$/u.test(name)) continue;
    const file = join(folder, 'part.xml');
    writeFileSync(file, bytes);
    const checked = spawnSync('xmllint', ['--noout', file], { encoding: 'utf8' });
    expect([name, checked.stderr]).toEqual([name, '']);
  }
  const text = fromEpub(book.value)?.html ?? '';
  expect(text).toContain('<h1>Room for &lt;the river&gt;</h1>');
  expect(text).toContain('<annotation encoding="application/x-tex">Q = v A</annotation>');
  expect(text).toMatch(/Response \w{3} .+ · replies \w{3}/u);
  const nav = new TextDecoder().decode(entries.get('book/nav.xhtml'));
  expect(nav.match(/<li>/gu)?.length).toBeGreaterThanOrEqual(2);
});

it('is read by pandoc with its chapters as headings', async () => {
  const book = await bookFor();
  if (!book.ok) throw new Error(book.failure.code);
  const file = join(folder, 'week.epub');
  writeFileSync(file, book.value);
  const read = spawnSync('pandoc', ['-f', 'epub', '-t', 'markdown', file], { encoding: 'utf8' });
  expect(read.status).toBe(0);
  expect(read.stdout).toMatch(/# Room for/u);
  expect(read.stdout).toMatch(/## Meadows/u);
});

it('is for nobody who is not in the course, and of no week that is not there', async () => {
  expect(await bookFor(world.people.stranger)).toMatchObject({ ok: false, failure: { code: 'not-found' } });
  expect(await bookFor(world.people.imani, 99)).toMatchObject({ ok: false, failure: { code: 'not-found' } });
});
