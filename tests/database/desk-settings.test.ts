import type { Knex } from 'knex';
import { courseId } from '@/core/ids';
import { changeSettings, settingsPage, settingsSchema } from '@/server/desk/settings';
import { promptPage, takePromptIn } from '@/server/desk/prompts';
import { termPage } from '@/server/desk/term';
import { enterAsSteward } from '@/server/stewards/enter';
import { makeCourse } from '@/server/stewards/courses';
import { enrol } from '@/server/setup/setup';
import { deps, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-settings');
  db = world.db;
});
afterAll(() => db.destroy());
const at = (when: string) => deps(db, when);

const form = {
  title: 'Rivers & Floodplains',
  term: 'Autumn 2026',
  responseDay: '4',
  responseTime: '23:59',
  repliesDay: '7',
  repliesTime: '9:30',
  late: 'penalty',
  latePercent: '10',
  lateDays: '',
  points: '20',
};

it('are kept by who teaches the course, and every new prompt begins with them', async () => {
  const said = settingsSchema.parse(form);
  expect(await changeSettings(at('Tue 10:00'), world.people.imani, GEO, said)).toMatchObject({
    failure: { code: 'not-found' },
  });
  expect(await changeSettings(at('Tue 10:00'), world.people.holt, GEO, said)).toMatchObject({ ok: true });
  const page = await settingsPage(at('Tue 10:00'), world.people.holt, GEO);
  expect(page).toMatchObject({
    value: {
      course: { term: 'Autumn 2026' },
      habits: {
        response: { day: 4, time: '23:59' },
        replies: { day: 7, time: '09:30' },
        late: { rule: 'penalty', percentPerDay: 10, days: 7 },
        points: 20,
      },
    },
  });
  const taken = await takePromptIn(at('Tue 10:00'), world.people.holt, GEO, {
    text: 'Week 7: In 200 words, say what a flood is for.',
    html: '',
    files: [],
  });
  if (!taken.ok) throw new Error(taken.failure.code);
  const prompt = await promptPage(at('Tue 10:00'), world.people.holt, GEO, taken.value.id);
  if (!prompt.ok) throw new Error(prompt.failure.code);
  expect(prompt.value.fields).toMatchObject({
    late: 'penalty',
    'late.percent': '10',
    points: '20',
  });
  expect(prompt.value.usual?.points).toBe('habits');
});

it('what is no weekday, time or number is not kept', () => {
  for (const wrong of [{ responseTime: '25:00' }, { repliesDay: '9' }, { points: '-1' }, { title: ' ' }])
    expect(settingsSchema.safeParse({ ...form, ...wrong }).success).toBe(false);
  const silent = settingsSchema.parse({ title: 'x' });
  expect(silent.habits).toEqual({ response: null, replies: null, late: null, points: null });
});

it('let a code be there once each term, each with an address of its own', async () => {
  await db('people').where({ id: world.people.kwame.id }).update({ steward: true });
  const door = await enterAsSteward(at('Tue 11:00'), world.people.kwame);
  if (!door.ok) throw new Error('a steward is one');
  const make = (term: string) =>
    makeCourse(at('Tue 11:00'), door.value, {
      code: 'GEO 115',
      term,
      title: 'Rivers & Floodplains',
      timeZone: 'Europe/London',
    });
  expect(await make('Autumn 2026')).toMatchObject({ failure: { code: 'code-taken' } });
  expect(await make('')).toMatchObject({ failure: { code: 'code-taken' } });
  const spring = await make('Spring 2027');
  if (!spring.ok) throw new Error(spring.failure.code);
  const course = courseId(spring.value.course);
  await enrol(db, [{ course, person: world.people.holt.id, role: 'instructor' }]);
  const [first, second] = [
    await termPage(at('Tue 11:00'), world.people.holt, GEO),
    await termPage(at('Tue 11:00'), world.people.holt, 'geo-115-spring-2027'),
  ];
  if (!first.ok || !second.ok) throw new Error('both have a desk');
  expect([first.value.course.term, second.value.course.term]).toEqual(['Autumn 2026', 'Spring 2027']);
  expect(second.value.others.map((o) => o.name)).toContain('GEO 115 Rivers & Floodplains · Autumn 2026');
  const taken = settingsSchema.parse({ ...form, term: 'Spring 2027' });
  expect(await changeSettings(at('Tue 11:00'), world.people.holt, GEO, taken)).toMatchObject({
    failure: { code: 'term-taken' },
  });
});
