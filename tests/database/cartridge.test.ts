import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { readCartridge } from '@/server/formats/read-cartridge';
import { unzipped, zipped } from '@/server/formats/zip';
import { cartridgeOf, takeCartridgeIn } from '@/server/desk/cartridge';
import { makeDiscussion, promptPage } from '@/server/desk/prompts';
import { termPage } from '@/server/desk/term';
import { folderStore } from '@/server/files/folder-store';
import { cartridgeFaults } from '../fixtures/cartridge-structure';
import { deps, shared, OPEN, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let folder: string;
beforeAll(async () => {
  world = await smallCourse('cartridge');
  db = world.db;
  folder = await mkdtemp(join(tmpdir(), 'pulpit-cartridge-'));
});
afterAll(async () => {
  await db.destroy();
  await rm(folder, { recursive: true });
});

const at = (when: string) => ({ ...deps(db, when), files: folderStore(folder), sites: [] });
const file = (entries: Record<string, string | Uint8Array>) => ({
  name: 'course.imscc',
  cut: false,
  bytes: Buffer.from(
    zipped(
      new Map(
        Object.entries(entries).map(([name, text]) => [
          name,
          typeof text === 'string' ? new TextEncoder().encode(text) : text,
        ]),
      ),
      true,
    ),
  ),
});

/** A cartridge as another system writes it: two sections, a topic, a page with a picture, a file, and what has no place here. */
const FOREIGN = {
  'imsmanifest.xml': `<?xml version="1.0"?><manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imsccv1p1/imscp_v1p1">
  <metadata><schema>IMS Common Cartridge</schema><schemaversion>1.1.0</schemaversion></metadata>
  <organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root">
    <item identifier="a"><title>Week 1: Beginnings</title>
      <item identifier="a1" identifierref="t1" isvisible="true"><title>Say hello</title></item>
      <item identifier="a2" identifierref="p1"><title>About the river</title></item>
      <item identifier="a3"><title>Deeper</title><item identifier="a4" identifierref="f1"><title>The map</title></item></item>
    </item>
    <item identifier="b"><title>Tests</title><item identifier="b1" identifierref="q1"><title>First quiz</title></item></item>
    <item identifier="c" identifierref="l1"><title>A link</title></item>
  </item></organization></organizations>
  <resources>
    <resource identifier="t1" type="imsdt_xmlv1p1"><file href="dt/t1.xml"/></resource>
    <resource identifier="p1" type="webcontent" href="wiki/p1.html" intendeduse="lessonplan"><file href="wiki/p1.html"/><dependency identifierref="f1"/></resource>
    <resource identifier="f1" type="webcontent" href="web/map.csv"><file href="web/map.csv"/></resource>
    <resource identifier="q1" type="imsqti_xmlv1p2/imscc_xmlv1p1/assessment"><file href="q/1.xml"/></resource>
    <resource identifier="l1" type="imswl_xmlv1p1"><file href="l/1.xml"/></resource>
  </resources></manifest>`,
  'dt/t1.xml': `<topic xmlns="http://www.imsglobal.org/xsd/imsccv1p1/imsdt_v1p1"><title>Say hello</title>
    <text texttype="text/html">&lt;p&gt;In at least 80 words, say where you live. Reply to two classmates by Sunday.&lt;/p&gt;</text>
    <attachments><attachment href="../web/map.csv"/></attachments></topic>`,
  'wiki/p1.html': '<html><body><h1>About the river</h1><p>It floods in March.</p></body></html>',
  'web/map.csv': 'reach,km\nupper,3\n',
  'q/1.xml': '<questestinterop/>',
  'l/1.xml': '<webLink/>',
};

describe('a course travels', () => {
  it('out, as a Common Cartridge by the standard’s structure, with nothing of the class in it', async () => {
    const { noor, holt, imani } = world.people;
    await shared(db, noor, OPEN, 'Tue 10:00', shareInput('Words that belong to Noor.'));
    const made = await cartridgeOf(at('Tue 11:00'), holt, GEO);
    if (!made.ok) throw new Error(made.failure.code);
    const entries = unzipped(made.value.bytes);
    expect(entries && cartridgeFaults(entries)).toEqual([]);
    const read = readCartridge(made.value.bytes);
    expect(read.ok && read.value.cartridge.sections.map((s) => s.items.map((i) => i.title))).toEqual([
      ['Sealed', 'Open'],
    ]);
    const all = [...(entries ?? new Map<string, Uint8Array>()).values()]
      .map((b) => Buffer.from(b).toString('utf8'))
      .join();
    expect(all).not.toMatch(/Noor|belong/u);
    expect((await cartridgeOf(at('Tue 11:00'), imani, GEO)).ok).toBe(false);
  });

  it('in: weeks, readings and files at once, prompts to be confirmed, and what has no place is named', async () => {
    const { holt } = world.people;
    const done = await takeCartridgeIn(at('Tue 12:00'), holt, GEO, file(FOREIGN));
    expect(done).toEqual({
      ok: true,
      value: {
        weeks: 1,
        prompts: 1,
        readings: 1,
        files: 1,
        left: ['First quiz (quiz)', 'A link (link)'],
        attributes: ['item isvisible', 'resource intendeduse', 'topic attachments'],
      },
    });
    const term = await termPage(at('Tue 12:01'), holt, GEO);
    if (!term.ok) throw new Error(term.failure.code);
    expect(term.value.weeks.at(-1)).toMatchObject({
      number: 7,
      title: 'Beginnings',
      startsOn: '2026-10-19',
      readings: [{ title: 'About the river' }],
    });
    const id = term.value.waiting[0]?.id ?? '';
    const page = await promptPage(at('Tue 12:02'), holt, GEO, id, 7);
    if (!page.ok) throw new Error(page.failure.code);
    expect(page.value.fields).toMatchObject({
      title: 'Say hello',
      'response.words.min': '80',
      'replies.count': '2',
      week: '7',
    });
    const made = await makeDiscussion(at('Tue 12:03'), holt, GEO, id, {
      fields: { ...page.value.fields, responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T23:59' },
    });
    expect(made.ok).toBe(true);
  });

  it('and comes back equal: taken out, put into an empty course, and taken out again', async () => {
    const { holt } = world.people;
    const other = randomUUID();
    await db('courses').insert({ id: other, code: 'GEO 116', title: 'Rivers', time_zone: 'UTC' });
    await db('enrolments').insert({ course_id: other, person_id: holt.id, role: 'instructor' });
    const first = await cartridgeOf(at('Tue 13:00'), holt, GEO);
    if (!first.ok) throw new Error(first.failure.code);
    const bytes = Buffer.from(first.value.bytes);
    const taken = await takeCartridgeIn(at('Tue 13:01'), holt, 'geo-116', {
      name: 'x.imscc',
      cut: false,
      bytes,
    });
    expect(taken.ok && [taken.value.weeks, taken.value.left]).toEqual([2, []]);
    const second = await cartridgeOf(at('Tue 13:02'), holt, 'geo-116');
    if (!second.ok) throw new Error(second.failure.code);
    const of = (b: Uint8Array) => {
      const read = readCartridge(b);
      if (!read.ok) throw new Error(read.failure.code);
      return read.value.cartridge.sections.map((s) => s.items.filter((i) => i.kind !== 'topic'));
    };
    expect(of(second.value.bytes)).toEqual(of(first.value.bytes));
  });

  it('refuses what is no cartridge, and what leads out of it, and takes nothing', async () => {
    const { holt, imani } = world.people;
    const before = await db('weeks').count('* as n');
    const broken: Record<string, Record<string, string>> = {
      empty: { 'readme.txt': 'x' },
      'no xml': { 'imsmanifest.xml': 'not xml at all <' },
      entities: {
        'imsmanifest.xml': '<!DOCTYPE x [<!ENTITY a "b">]><manifest>&a;</manifest>',
      },
      'no organization': { 'imsmanifest.xml': '<manifest identifier="m"><resources/></manifest>' },
    };
    for (const [name, entries] of Object.entries(broken)) {
      const done = await takeCartridgeIn(at('Tue 14:00'), holt, GEO, file(entries));
      expect([name, done.ok]).toEqual([name, false]);
    }
    const out = {
      ...FOREIGN,
      'imsmanifest.xml': FOREIGN['imsmanifest.xml'].replaceAll('web/map.csv', '../../etc/passwd'),
    };
    const led = readCartridge(file(out).bytes);
    expect(led.ok && led.value.cartridge.sections.flatMap((s) => s.items.map((i) => i.kind))).not.toContain(
      'file',
    );
    expect((await takeCartridgeIn(at('Tue 14:00'), imani, GEO, file(FOREIGN))).ok).toBe(false);
    expect(
      await takeCartridgeIn(at('Tue 14:00'), holt, GEO, { ...file(FOREIGN), bytes: Buffer.from('no zip') }),
    ).toMatchObject({
      failure: { code: 'no-cartridge' },
    });
    expect(await db('weeks').count('* as n')).toEqual(before);
  });
});
