import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { notHeldBy } from '@/core/formats/left-behind';
import { pageFromHtml } from '@/core/formats/from-html';
import { htmlOf } from '@/core/formats/to-html';
import { markdownOf } from '@/core/formats/to-markdown';
import type { Doc } from '@/core/document/nodes';
import { formulaHtml, latexOfMathml } from '@/server/formats/mathml';
import { openFile } from '@/server/formats/read-file';
import { rtfOf } from '@/server/formats/rtf/to-rtf';
import { docxOf } from '@/server/formats/to-docx';
import { epubOf } from '@/server/formats/to-epub';
import { odtOf } from '@/server/formats/to-odt';
import type { TravellingPicture } from '@/server/formats/travelling';
import { FEATURES, foundAgain, PICTURE, RICH } from './rich';

const FORMATS = ['docx', 'odt', 'rtf', 'epub', 'html', 'md'] as const;
type Format = (typeof FORMATS)[number];
const TITLE = 'Walls & meadows';
/** What pandoc calls the formats, on its way in and out. */
const PANDOC: Record<Format, [from: string, to: string]> = {
  docx: ['docx', 'docx'],
  odt: ['odt', 'odt'],
  rtf: ['rtf', 'rtf'],
  // Its own writer of books does not know the marks of notes that its reader makes.
  epub: ['epub', 'html'],
  html: ['html', 'html'],
  md: ['gfm+footnotes+tex_math_dollars', 'gfm+footnotes+tex_math_dollars'],
};

const folder = mkdtempSync(join(tmpdir(), 'pulpit-matrix-'));
afterAll(() => rmSync(folder, { recursive: true }));
let pictures: Map<string, TravellingPicture>;
beforeAll(async () => {
  const content = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#8a7' } })
    .jpeg()
    .toBuffer();
  pictures = new Map([[PICTURE, { name: '1.jpg', kind: 'jpg', mediaType: 'image/jpeg', content }]]);
});

async function out(format: Format): Promise<Uint8Array> {
  const picture = () =>
    `data:image/jpeg;base64,${Buffer.from(pictures.get(PICTURE)?.content ?? []).toString('base64')}`;
  switch (format) {
    case 'docx':
      return docxOf(TITLE, RICH, pictures);
    case 'odt':
      return odtOf(TITLE, RICH, pictures);
    case 'rtf':
      return rtfOf(TITLE, RICH, pictures);
    case 'epub':
      return epubOf(
        {
          id: 'urn:x',
          title: TITLE,
          author: 'Imani Okoro',
          changedAt: 0,
          chapters: [{ title: TITLE, doc: RICH }],
        },
        pictures,
      );
    case 'html':
      return Buffer.from(
        `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>x</title></head><body>${htmlOf(RICH, { title: TITLE, picture, formula: formulaHtml })}</body></html>`,
      );
    case 'md':
      return Buffer.from(
        markdownOf(RICH, { title: TITLE, picture: () => 'https://pulpit.example/attachments/1' }),
      );
  }
}

async function back(format: Format, bytes: Uint8Array): Promise<{ title: string; doc: Doc }> {
  const opened = await openFile({ name: `text.${format}`, bytes: Buffer.from(bytes), cut: false });
  if (!opened.ok) throw new Error(opened.failure.code);
  const { text } = opened.value;
  if ('doc' in text) return { title: '', doc: text.doc };
  return pageFromHtml(text.html, () => ({ file: PICTURE, width: 640, height: 480 }), latexOfMathml);
}

/** What pandoc makes of a file, and in which of our formats that is. */
function throughPandoc(format: Format, bytes: Uint8Array): [Format, Uint8Array] {
  const [from, to] = PANDOC[format];
  const as = format === 'epub' ? 'html' : format;
  const [before, after] = [join(folder, `before.${format}`), join(folder, `after.${as}`)];
  writeFileSync(before, bytes);
  const done = spawnSync(
    'pandoc',
    [
      ...(format === 'rtf' ? ['--standalone'] : []),
      '--mathml',
      '--wrap=none',
      '-f',
      from,
      '-t',
      to,
      '-o',
      after,
      before,
    ],
    {
      encoding: 'utf8',
      timeout: 60_000,
      cwd: folder,
    },
  );
  if (done.status !== 0) throw new Error(done.stderr);
  return [as, readFileSync(after)];
}

const SIGNS = { whole: '●', words: 'words', gone: '–' };
const table: Record<string, string[]> = Object.fromEntries(FEATURES.map((f) => [f.name, []]));

describe.each(FORMATS)('a text with everything, by way of .%s', (format) => {
  it('comes back, and no words are lost', async () => {
    const { title, doc } = await back(format, await out(format));
    expect(title).toBe(TITLE);
    const found = FEATURES.map((feature) => ({ feature, how: foundAgain(doc, feature) }));
    for (const { feature, how } of found) table[feature.name]?.push(SIGNS[how]);
    // What is not as it was is what its writer was told before.
    const told = new Set(notHeldBy(format, RICH).map((l) => l.kind));
    for (const { feature, how } of found)
      if (feature.told)
        expect([feature.name, how === 'whole']).toEqual([feature.name, !told.has(feature.told)]);
    expect(
      found.filter(({ feature, how }) => feature.words && how === 'gone').map((f) => f.feature.name),
    ).toEqual([]);
  });
  it('is read and written anew by pandoc, and comes back', async () => {
    const { doc } = await back(...throughPandoc(format, await out(format)));
    for (const feature of FEATURES) table[feature.name]?.push(SIGNS[foundAgain(doc, feature)]);
  }, 90_000);
});

it('what survives is what the documentation says', () => {
  const heads = FORMATS.flatMap((f) => [`.${f}`, 'pandoc']);
  const rows = Object.entries(table).map(([name, cells]) => `| ${name} | ${cells.join(' | ')} |`);
  const written = [`| | ${heads.join(' | ')} |`, `|---|${heads.map(() => '---').join('|')}|`, ...rows].join(
    '\n',
  );
  console.log(written);
  const said = readFileSync('docs/FORMATS.md', 'utf8')
    .split('\n')
    .filter((line) => line.startsWith('|'));
  const even = (lines: string) => lines.replace(/ +/gu, ' ').replace(/-{2,}/gu, '---');
  expect(even(said.join('\n'))).toBe(even(written));
});
