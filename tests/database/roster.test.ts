import type { Knex } from 'knex';
import { bringRoster, leaveRoster, rosterPage, takeRoster } from '@/server/stewards/roster';
import { coursePage, makeCourse } from '@/server/stewards/courses';
import type { Steward } from '@/server/stewards/enter';
import { begun, post } from './college';
import { deps, on, smallCourse } from './world';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let steward: Steward;
let course: string;
beforeAll(async () => {
  world = await smallCourse('roster');
  db = world.db;
  steward = await begun(db);
  const made = await makeCourse(deps(db, 'Mon 07:00'), steward, {
    code: 'BIO 210',
    term: '',
    title: 'Cells',
    timeZone: 'UTC',
  });
  if (!made.ok) throw new Error();
  course = made.value.course;
});
afterAll(() => db.destroy());

const d = () => deps(db, 'Mon 08:00');
const bring = (bytes: Buffer | string, name = 'class.csv', cut = false) =>
  bringRoster(d(), steward, course, { name, bytes: Buffer.from(bytes as string), cut });
async function brought(bytes: Buffer | string) {
  const done = await bring(bytes);
  if (!done.ok) throw new Error(done.failure.code);
  const page = await rosterPage(d(), done.value.roster);
  if (!page.ok) throw new Error();
  return page.value;
}

it('is looked at before anybody is invited, and then taken whole', async () => {
  const { imani } = world.people;
  const page = await brought(
    `name,mail,role\nImani,${imani.id}@tidewell.example,\nZoë Ångström,zoe@x.example,assistant\nBad,nowhere,\n`,
  );
  expect(page).toMatchObject({ sound: 2, problems: [{ line: 4, problem: { code: 'bad-address' } }] });
  expect(await post(db, on('Mon 08:01'))).toEqual([]);
  const taken = await takeRoster(d(), steward, page.id);
  expect(taken).toEqual({ ok: true, value: { invited: 1, letIn: 1, there: 0 } });
  expect((await post(db, on('Mon 08:02'))).map((m) => m.to.address).sort()).toEqual(
    [`${imani.id}@tidewell.example`, 'zoe@x.example'].sort(),
  );
  // Once only: what was in it is in invitations and enrolments now, and nowhere else.
  expect(await takeRoster(d(), steward, page.id)).toMatchObject({ failure: { code: 'not-found' } });
  expect((await db('rosters').where({ id: page.id }).first('lines'))?.lines).toEqual([]);
  const again = await brought('name,mail\nZoë,ZOE@x.example');
  expect(await takeRoster(d(), steward, again.id)).toEqual({
    ok: true,
    value: { invited: 0, letIn: 0, there: 1 },
  });
});

it.each([
  ['UTF-8', Buffer.from('name,mail\nZoë,z@x.example')],
  [
    'UTF-16, little end first',
    Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('name,mail\nZoë,z@x.example', 'utf16le')]),
  ],
  ['windows-1252', Buffer.from('name,mail\nZoë,z@x.example', 'latin1')],
])('is read in %s', async (_, bytes) => {
  expect((await brought(bytes)).sample).toMatchObject([{ name: 'Zoë' }]);
});

it('of 5,000 people is read and taken in a few seconds, each of them invited once', async () => {
  const text = `name,mail\n${Array.from({ length: 5_000 }, (_, i) => `Person ${i},p${i}@big.example`).join('\n')}`;
  const page = await brought(text);
  expect(page.sound).toBe(5_000);
  const began = performance.now();
  expect(await takeRoster(d(), steward, page.id)).toMatchObject({ value: { invited: 5_000 } });
  expect(performance.now() - began).toBeLessThan(20_000);
  const [{ n }] = (await db('mails').where('to_address', 'like', '%@big.example').count('* as n')) as [
    { n: number },
  ];
  expect(n).toBe(5_000);
  await db('mails').where('to_address', 'like', '%@big.example').delete();
});

it('that is none says so, and nothing is kept of it', async () => {
  const before = await db('rosters').count('* as n').first();
  expect(await bring('', 'x.csv')).toMatchObject({ failure: { code: 'roster-empty' } });
  expect(await bring(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]))).toMatchObject({
    failure: { code: 'no-columns' },
  });
  expect(await bring('a,b\n1,2')).toMatchObject({ failure: { code: 'no-columns', found: ['a', 'b'] } });
  expect(await bring('name,mail\nA,a@x.example', 'x.csv', true)).toMatchObject({
    failure: { code: 'roster-too-large' },
  });
  const many = Array.from({ length: 5_001 }, (_, i) => `P ${i},q${i}@x.example`).join('\n');
  expect(await bring(many)).toMatchObject({ failure: { code: 'roster-too-long', left: 1 } });
  expect(await db('rosters').count('* as n').first()).toEqual(before);
});

it('can be left alone', async () => {
  const page = await brought('name,mail\nNever,never@x.example');
  await leaveRoster(d(), page.id);
  expect(await rosterPage(d(), page.id)).toMatchObject({ failure: { code: 'not-found' } });
  const view = await coursePage(d(), course);
  expect(view.ok && view.value.invitations.some((i) => i.email === 'never@x.example')).toBe(false);
});
