import type { Knex } from 'knex';
import { documentFromText } from '@/core/document/compose';
import { beginPage } from '@/server/courses/begin';
import { changeMaterial, materialPage, type Which } from '@/server/courses/material';
import { signSyllabus } from '@/server/courses/sign-syllabus';
import { sayTimes } from '@/server/courses/own-times';
import type { Actor } from '@/server/deps';
import { changeSyllabus, deskSyllabusPage } from '@/server/desk/syllabus';
import { thisWeek } from '@/server/week/this-week';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
const FIRST: Which = { of: 'first page', slug: GEO };
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let nth = 0;
beforeEach(async () => {
  world = await smallCourse(`beginnings_${(nth += 1)}`);
  db = world.db;
});
afterEach(() => db.destroy());

const at = (when: string) => deps(db, when);
async function say(who: Actor, text: string) {
  const page = await materialPage(at('Mon 09:00'), who, FIRST);
  if (!page.ok) return page;
  return changeMaterial(at('Mon 09:00'), who, FIRST, {
    doc: documentFromText(text),
    stamp: page.value.stamp,
  });
}
async function steps(who: Actor, when = 'Tue 12:00') {
  const page = await beginPage(at(when), who, GEO);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value.steps.map((s) => [s.what, s.done]);
}
const toBegin = async (who: Actor) => (await thisWeek(at('Tue 12:00'), who)).toBegin;

it('is written by staff alone; until it is, the class has no such page', async () => {
  const { holt, imani, stranger } = world.people;
  expect(await beginPage(at('Tue 12:00'), imani, GEO)).toMatchObject({ failure: { code: 'not-found' } });
  expect(await toBegin(imani)).toEqual([]);
  expect(await say(imani, 'Mine.')).toMatchObject({ failure: { code: 'not-found' } });
  expect(await say(holt, 'Welcome to the river.')).toMatchObject({ ok: true });
  expect(await beginPage(at('Tue 12:00'), stranger, GEO)).toMatchObject({ failure: { code: 'not-found' } });
  expect(await beginPage(at('Tue 12:00'), imani, GEO)).toMatchObject({ value: { course: { begins: true } } });
  // Staff have nothing to begin with.
  expect(await steps(holt)).toEqual([]);
});

it('what another put there meanwhile is shown first', async () => {
  const { holt } = world.people;
  const page = await materialPage(at('Mon 09:00'), holt, FIRST);
  if (!page.ok) throw new Error('no desk');
  await say(holt, 'The newer one.');
  const late = { doc: documentFromText('The older one.'), stamp: page.value.stamp };
  expect(await changeMaterial(at('Mon 09:05'), holt, FIRST, late)).toMatchObject({
    failure: { code: 'changed-meanwhile' },
  });
});

it('says what to do first and what of it is done, and stands on This week until something was shared', async () => {
  const { holt, imani, jun } = world.people;
  await say(holt, 'Welcome.');
  const syllabus = await deskSyllabusPage(at('Mon 09:00'), holt, GEO);
  if (!syllabus.ok) throw new Error('no syllabus');
  const { fields } = syllabus.value;
  const weights = {
    ...fields,
    weights: 'Discussions 100 %',
    scale: 'Pass from 40 %',
    contactEmail: 'maren.holt@tidewell.example',
  };
  const kept = await changeSyllabus(at('Mon 09:00'), holt, GEO, { fields: weights, toSign: true });
  expect(kept.ok).toBe(true);
  await db('discussions')
    .where({ slug: OPEN })
    .update({ brief: db.raw(`brief || '{"grouped": true}'`) });

  expect(await steps(imani)).toEqual([
    ['sign', false],
    ['times', false],
    ['respond', false],
  ]);
  expect(await toBegin(imani)).toEqual([{ code: 'GEO 115', slug: GEO }]);
  const version = (await db('syllabi').first('version'))?.version;
  expect((await signSyllabus(at('Tue 10:00'), imani, GEO, version)).ok).toBe(true);
  await sayTimes(at('Tue 10:00'), imani, GEO, [3, 4]);
  await shared(db, imani, OPEN, 'Tue 11:00', shareInput('Words of mine.'));
  expect(await steps(imani)).toEqual([
    ['sign', true],
    ['times', true],
    ['respond', true],
  ]);
  expect(await toBegin(imani)).toEqual([]);
  expect(await toBegin(jun)).toHaveLength(1);
});

it('leads to no discussion that is over', async () => {
  const { holt, imani } = world.people;
  await say(holt, 'Welcome.');
  expect(await steps(imani)).toEqual([['respond', false]]);
  await db('discussions').update({ late: JSON.stringify({ rule: 'refused' }) });
  await db('discussions').update({
    response_due: '2026-10-12 07:00',
    replies_due: '2026-10-12 08:00',
    opens: '2026-10-12 06:00',
  });
  expect(await steps(imani)).toEqual([]);
});
