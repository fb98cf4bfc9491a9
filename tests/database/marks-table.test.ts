import type { Knex } from 'knex';
import Papa from 'papaparse';
import { EMPTY_MARK } from '@/core/marks/mark';
import { rubricSchema } from '@/core/rubric/rubric';
import { broughtPage, bringMarks, leaveMarks, takeMarks } from '@/server/marks/bring';
import { askSecond } from '@/db/queries/second-readings';
import { keepMark } from '@/server/marks/keep';
import { marksTable } from '@/server/marks/table';
import { tableFile } from '@/server/marks/table-file';
import { deps, OPEN, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('marks_table');
  db = world.db;
  const rubric = rubricSchema.parse({
    criteria: [
      {
        id: 'ideas',
        title: 'Ideas',
        levels: [
          { title: 'many', points: 12 },
          { title: 'few', points: 4 },
        ],
      },
      {
        id: 'talk',
        title: 'The talk',
        levels: [
          { title: 'on', points: 8 },
          { title: 'off', points: 0 },
        ],
      },
    ],
  });
  await db('discussions')
    .where({ slug: OPEN })
    .update({ rubric: JSON.stringify(rubric) });
});
afterAll(() => db.destroy());
const now = () => deps(db, 'Thu 12:30');
const PLACE = { slug: GEO, name: OPEN };

const table = async (sort = 'name') => {
  const found = await marksTable(now(), world.people.holt, GEO, OPEN, sort);
  if (!found.ok) throw new Error('no table');
  return found.value;
};
const rowOf = async (name: string) => {
  const row = (await table()).rows.find((r) => r.name.startsWith(name));
  if (!row) throw new Error(`no ${name}`);
  return row;
};
const say = async (name: string, levels: Record<string, number>) => {
  const { id, revision } = await rowOf(name);
  return keepMark(
    now(),
    world.people.holt,
    { ...PLACE, person: id },
    { part: { levels, points: null, verdict: null }, base: revision },
  );
};
const bring = async (text: string, who = world.people.holt) =>
  bringMarks(now(), who, PLACE, { name: 'marks.csv', bytes: Buffer.from(text), cut: false });
const look = async (id: string) => {
  const page = await broughtPage(now(), world.people.holt, PLACE, id);
  if (!page.ok) throw new Error('no page');
  return page.value;
};
const brought = async (text: string) => {
  const file = await bring(text);
  if (!file.ok) throw new Error(file.failure.code);
  return look(file.value.id);
};

describe('the table of a discussion’s marks', () => {
  it('changes what is said in a cell and nothing else of the mark', async () => {
    const { holt, imani } = world.people;
    const whole = { ...EMPTY_MARK, remark: 'Stays.' };
    await keepMark(now(), holt, { ...PLACE, person: imani.id }, { mark: whole, base: 0 });
    expect(await say('Imani', { ideas: 0, talk: 1 })).toEqual({ ok: true, value: { revision: 2 } });
    const [row] = await db('marking').where({ person_id: imani.id });
    expect(row.mark).toMatchObject({ levels: { ideas: 0, talk: 1 }, remark: 'Stays.' });
    expect(await rowOf('Imani')).toMatchObject({ points: 12, state: 'written', revision: 2 });
    // On an older keeping nothing is changed.
    expect(
      await keepMark(
        now(),
        holt,
        { ...PLACE, person: imani.id },
        { part: { levels: {}, points: null, verdict: null }, base: 1 },
      ),
    ).toMatchObject({ failure: { code: 'changed-meanwhile', revision: 2 } });
  });

  it('has a line for each student, sorted by any column with what is not said last', async () => {
    await say('Noor', { ideas: 1, talk: 0 });
    await say('Rafi', { ideas: 1, talk: 1 });
    const names = async (sort: string) =>
      (await table(sort)).rows.map((r) => [r.name.split(' ')[0], r.points]);
    expect(await names('-points')).toEqual([
      ['Imani', 12],
      ['Noor', 12],
      ['Rafi', 4],
      ['Jun', null],
      ['Kwame', null],
    ]);
    expect((await names('points')).map(([name]) => name)).toEqual(['Rafi', 'Imani', 'Noor', 'Jun', 'Kwame']);
    expect(await marksTable(now(), world.people.imani, GEO, OPEN, 'name')).toMatchObject({ ok: false });
  });

  it('is read back out of its file as it was, and holds no formula', async () => {
    const { jun } = world.people;
    await db('people').where({ id: jun.id }).update({ name: '=HYPERLINK("x"), Jun' });
    const found = await table();
    const file = tableFile(found);
    expect(file).not.toMatch(/(^|,)"?[=+@]/mu);
    const read = Papa.parse<Record<string, string>>(file, { header: true, skipEmptyLines: true });
    expect(read.errors).toEqual([]);
    expect(read.data.map((r) => [r.Id, r.Ideas, r.Points, r.State])).toEqual(
      found.rows.map((r) => [r.id, String(r.levels[0] ?? ''), String(r.points ?? ''), r.state]),
    );
    // Brought back as it is, it changes nothing.
    expect(await brought(file)).toMatchObject({ changes: [], same: 5, problems: [] });
    await db('people').where({ id: jun.id }).update({ name: jun.name });
  });
});

describe('a table that is brought', () => {
  it('shows what it would change before anything is, and takes it over all at once', async () => {
    const page = await brought(
      'Name,Ideas,The talk\nRafi Castellan,12,8\nJun Hathaway,4,0\nNobody Here,4,0\nKwame Sorley,5,8',
    );
    expect(page.changes.map((c) => [c.name.split(' ')[0], c.before, c.after, c.over])).toEqual([
      ['Rafi', 4, 20, false],
      ['Jun', null, 4, false],
    ]);
    expect(page.problems.map((p) => [p.line, p.problem.code])).toEqual([
      [4, 'unknown'],
      [5, 'bad-value'],
    ]);
    expect((await rowOf('Rafi')).points).toBe(4);
    const { holt } = world.people;
    expect(await takeMarks(now(), holt, PLACE, { id: page.id, stamp: page.stamp, over: [] })).toEqual({
      ok: true,
      value: 2,
    });
    expect((await rowOf('Rafi')).points).toBe(20);
    expect((await rowOf('Kwame')).points).toBeNull();
    // It is gone, and taken twice is once.
    expect(await takeMarks(now(), holt, PLACE, { id: page.id, stamp: page.stamp, over: [] })).toMatchObject({
      failure: { code: 'not-found' },
    });
  });

  it('leaves marks that were written on since the file was saved, unless they are named', async () => {
    const { holt, noor, imani } = world.people;
    const file = tableFile(await table())
      .replace(/(Noor[^\r]*?),4,8,/u, '$1,12,0,')
      .replace(/(Imani[^\r]*?),12,0,/u, '$1,4,0,');
    await say('Noor', { ideas: 1, talk: 1 });
    await say('Imani', { ideas: 0, talk: 0 });
    const page = await brought(file);
    expect(page.changes.map((c) => [c.id, c.over])).toEqual([
      [imani.id, true],
      [noor.id, true],
    ]);
    await takeMarks(now(), holt, PLACE, { id: page.id, stamp: page.stamp, over: [noor.id] });
    expect((await rowOf('Noor')).points).toBe(12);
    expect((await rowOf('Imani')).points).toBe(20);
  });

  it('is not taken over where a mark was written on since one looked', async () => {
    const page = await brought('Name,The talk\nRafi Castellan,0\nNoor Vasquez,8');
    await say('Noor', { ideas: 0, talk: 1 });
    await say('Noor', { ideas: 0 });
    const before = (await rowOf('Rafi')).points;
    expect(
      await takeMarks(now(), world.people.holt, PLACE, { id: page.id, stamp: page.stamp, over: [] }),
    ).toMatchObject({ failure: { code: 'marks-moved' } });
    expect((await rowOf('Rafi')).points).toBe(before);
    await leaveMarks(now(), world.people.holt, PLACE, page.id);
    expect(await broughtPage(now(), world.people.holt, PLACE, page.id)).toMatchObject({ ok: false });
  });

  it('says why a file cannot be read, and is nothing that students can bring or see', async () => {
    expect(await bring('')).toMatchObject({ failure: { code: 'table-empty' } });
    expect(await bring('a,b\n1,2')).toMatchObject({ failure: { code: 'table-columns' } });
    expect(await bring(`Name,Ideas\n${'x,4\n'.repeat(2_001)}`)).toMatchObject({
      failure: { code: 'table-too-long' },
    });
    expect(await bring('Name,Ideas\nJun Hathaway,4', world.people.imani)).toMatchObject({ ok: false });
    const page = await brought('Name,Ideas\nJun Hathaway,12');
    expect(await broughtPage(now(), world.people.imani, PLACE, page.id)).toMatchObject({ ok: false });
  });

  it('takes no line over a mark that is read a second time first, and gives that away in no cell of its file', async () => {
    const { holt, jun } = world.people;
    const { id } = await db('discussions').where({ slug: OPEN }).first('id');
    await askSecond(db, { course: world.course, discussion: id }, [jun.id], holt.id);
    const page = await brought('Name,The talk\nJun Hathaway,8');
    expect(page.problems).toMatchObject([{ who: 'Jun Hathaway', problem: { code: 'held' } }]);
    const line = tableFile(await table())
      .split('\r\n')
      .find((l) => l.includes('Jun Hathaway'));
    expect(line).toMatch(/,,,,,,\d+,held,0$/u);
  });
});
