import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { takeOne } from '@/server/desk/take-over';
import { termPage } from '@/server/desk/term';
import { insertReadings } from '@/db/queries/setup';
import { deps, OPEN, shared, shareInput, smallCourse, text } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-take-one');
  db = world.db;
});
afterAll(() => db.destroy());

const at = (when: string) => deps(db, when);
const week = async (number: number) => {
  const term = await termPage(at('Tue 12:00'), world.people.holt, GEO);
  if (!term.ok) throw new Error(term.failure.code);
  return term.value.weeks.find((w) => w.number === number);
};
const take = (given: Partial<Parameters<typeof takeOne>[3]>, who = world.people.holt) =>
  takeOne(at('Tue 11:00'), who, GEO, { discussion: OPEN, what: 'prompt', into: '', ...given });

describe('one prompt, or its week, out of any course one teaches', () => {
  it('comes with what it asks, on its weekdays, not shown, and with nothing of the class', async () => {
    await shared(db, world.people.noor, OPEN, 'Tue 10:00', shareInput('Words of hers.'));
    await db('courses')
      .where({ id: world.course })
      .update({ holidays: JSON.stringify([{ from: '2026-10-19', to: '2026-10-23', name: 'Reading week' }]) });
    expect(await take({})).toEqual({ ok: true, value: { week: 7 } });
    const taken = await week(7);
    // A week that is all holiday is left out.
    expect(taken).toMatchObject({ startsOn: '2026-10-26', title: 'Room for the river', readings: [] });
    expect(taken?.discussions).toMatchObject([{ title: 'Open', shown: false, posts: 0 }]);
    const [copy, first] = await db('discussions').where({ title: 'Open' }).orderBy('week', 'desc');
    expect(copy.brief).toEqual(first.brief);
    expect([copy.response_due, first.response_due]).toEqual(['2026-10-29T23:59', '2026-10-15T23:59']);
  });

  it('goes into a week that is there, or brings its whole week', async () => {
    await insertReadings(db, [
      {
        course: world.course,
        id: randomUUID(),
        slug: 'a-reading',
        week: 6,
        position: 1,
        title: 'What a gauge says',
        author: 'M. Holt',
        words: 3,
        doc: text('It says so.'),
        place: '',
      },
    ]);
    expect(await take({ into: 7 })).toEqual({ ok: true, value: { week: 7 } });
    expect((await week(7))?.discussions).toHaveLength(2);
    expect(await take({ what: 'week', into: 7 })).toEqual({ ok: true, value: { week: 8 } });
    expect(await week(8)).toMatchObject({
      discussions: [{ title: 'Sealed' }, { title: 'Open' }],
      readings: [{ title: 'What a gauge says' }],
    });
    expect(await take({ into: 40 })).toMatchObject({ failure: { code: 'not-found' } });
  });

  it('is only what one teaches oneself, into what one teaches', async () => {
    const { imani, stranger } = world.people;
    for (const who of [imani, stranger]) expect((await take({}, who)).ok).toBe(false);
    const other = randomUUID();
    await db('courses').insert({ id: other, code: 'GEO 116', title: 'Seas', time_zone: 'UTC' });
    await db('enrolments').insert({ course_id: other, person_id: imani.id, role: 'instructor' });
    // She teaches there, and is a student where the prompt is.
    const done = await takeOne(at('Tue 11:00'), imani, 'geo-116', {
      discussion: OPEN,
      what: 'prompt',
      into: '',
    });
    expect(done).toMatchObject({ failure: { code: 'not-found' } });
  });
});
