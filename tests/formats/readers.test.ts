import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { documentFromHtml } from '@/core/formats/from-html';
import { latexOfMathml } from '@/server/formats/mathml';
import { openFile } from '@/server/formats/read-file';
import { docxOf } from '@/server/formats/to-docx';
import { odtOf } from '@/server/formats/to-odt';
import { rtfOf } from '@/server/formats/rtf/to-rtf';
import { RICH } from './rich';

const folder = mkdtempSync(join(tmpdir(), 'pulpit-readers-'));
afterAll(() => rmSync(folder, { recursive: true }));
const file = (name: string, bytes: Uint8Array | string) => {
  writeFileSync(join(folder, name), bytes);
  return join(folder, name);
};
function run(program: string, args: string[]): string {
  const done = spawnSync(program, args, {
    encoding: 'utf8',
    timeout: 60_000,
    cwd: folder,
    env: { ...process.env, HOME: folder },
  });
  if (done.status !== 0) throw new Error(`${program}: ${done.stderr}`);
  return done.stdout;
}
/** Opens a file in LibreOffice and saves it in another format. */
function throughOffice(name: string, to: string): Uint8Array {
  const out = join(folder, 'out');
  const profile = `-env:UserInstallation=file://${join(folder, 'profile')}`;
  run('soffice', [profile, '--headless', '--convert-to', to, '--outdir', out, join(folder, name)]);
  return readFileSync(join(out, name.replace(/\w+$/u, to)));
}
const python = (program: string, ...args: string[]): unknown =>
  JSON.parse(run('/usr/bin/python3', ['-c', program, ...args]));

describe('files of ours as libraries in another language read them', () => {
  it('a Word document: its headings, lists, tables and notes are that', async () => {
    const path = file('a.docx', await docxOf('Walls', RICH, new Map()));
    const read = python(
      `import docx, json, sys
d = docx.Document(sys.argv[1])
print(json.dumps({"styles": [[p.style.name, p.text] for p in d.paragraphs if p.style.name.startswith(("Head", "Title", "Quote"))],
  "table": [[c.text for c in r.cells] for r in d.tables[0].rows],
  "bold": [r.text for p in d.paragraphs for r in p.runs if r.bold],
  "centred": [p.text for p in d.paragraphs if p.alignment == 1]}))`,
      path,
    );
    expect(read).toEqual({
      styles: [
        ['Title', 'Walls'],
        ['Heading 2', 'Give the meadows back'],
        ['Heading 3', 'What it costs'],
        ['Heading 4', 'In land'],
        ['Quote', 'The wall was never finished.'],
      ],
      table: [
        ['Plan', 'Cost'],
        ['Set back', '12 million'],
      ],
      bold: ['not'],
      centred: ['Set in the middle'],
    });
  });
  it('an OpenDocument text: the same, and every formula an object of its own', () => {
    const path = file('a.odt', odtOf('Walls', RICH, new Map()));
    const read = python(
      `import json, sys
from odf import opendocument, text, table, draw, teletype
d = opendocument.load(sys.argv[1])
print(json.dumps({"headings": [[h.getAttribute("outlinelevel"), teletype.extractText(h)] for h in d.getElementsByType(text.H)],
  "notes": len(d.getElementsByType(text.Note)),
  "objects": len(d.getElementsByType(draw.Object)),
  "cells": [teletype.extractText(c) for c in d.getElementsByType(table.TableCell)]}))`,
      path,
    );
    expect(read).toEqual({
      headings: [
        ['2', 'Give the meadows back'],
        ['3', 'What it costs'],
        ['4', 'In land'],
      ],
      notes: 1,
      objects: 2,
      cells: ['Plan', 'Cost', 'Set back', '12 million'],
    });
  });
  it('rich text, by another word processor: its words, its list and its note', () => {
    const path = file('a.rtf', rtfOf('Walls', RICH, new Map()));
    run('abiword', ['--to=txt', `--to-name=${join(folder, 'a.txt')}`, path]);
    const text = run('cat', [join(folder, 'a.txt')]);
    for (const words of [
      'Give the meadows back',
      'The levee is not the river, says the survey',
      'move the wall',
      'Set back',
      'The wall was never finished.',
      '        warn(gauge);',
      'Holt, Rivers & floodplains, p. 12.',
    ])
      expect(text).toContain(words);
  });
});

describe('formulas opened by LibreOffice and saved in its own way', () => {
  const formulas = async (name: string, bytes: Uint8Array) => {
    const opened = await openFile({ name, bytes: Buffer.from(bytes), cut: false });
    if (!opened.ok || !('html' in opened.value.text)) throw new Error('not opened');
    const doc = JSON.stringify(documentFromHtml(opened.value.text.html, undefined, latexOfMathml));
    return { doc, left: opened.value.left };
  };
  it.each(['odt', 'docx'] as const)(
    'are formulas still, among words and alone: .odt saved as .%s',
    async (to) => {
      file('a.odt', odtOf('Walls', RICH, new Map()));
      const { doc } = await formulas(`a.${to}`, throughOffice('a.odt', to));
      expect(doc).toContain('Flow is "},{"type":"inlineMath","attrs":{"latex":"Q = v A"}}');
      expect(doc).toContain('{"type":"blockMath","attrs":{"latex":"\\\\frac{a + b}{2}"}}');
    },
    90_000,
  );
  it('are said to stay behind where the format has them in signs of its own alone', async () => {
    file('a.docx', await docxOf('Walls', RICH, new Map()));
    const { left } = await formulas('a.rtf', throughOffice('a.docx', 'rtf'));
    expect(left.objects).toBe(2);
  }, 90_000);
});
